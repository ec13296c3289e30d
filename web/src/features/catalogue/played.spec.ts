import { describe, expect, it } from 'vitest'
import { clock, curve, marks, timeAt, within } from './played'

describe('what is heard or moves', () => {
  it('says times as clocks do', () => {
    expect(clock(7.9)).toBe('0:07')
    expect(clock(125)).toBe('2:05')
    expect(clock(3765)).toBe('1:02:45')
  })
  it('stands on its baseline, as loud as it is', () => {
    expect(curve([0, 1], 100, 40)).toBe('M0 40L25 40L75 0L100 40Z')
    expect(curve([], 100, 40)).toBe('')
  })
  it('has marks with room between them', () => {
    expect(marks(4)).toEqual([0, 1, 2, 3, 4])
    expect(marks(61)).toEqual([0, 10, 20, 30, 40, 50, 60])
    expect(marks(0)).toEqual([0])
    expect(marks(90_000).length).toBeLessThan(10)
  })
  it('begins where it is pointed at, but never where nothing is heard', () => {
    expect(within(timeAt(0.5, 61), 61)).toBe(30.5)
    expect(within(timeAt(1, 61), 61)).toBe(60)
    expect(within(timeAt(-1, 61), 61)).toBe(0)
    expect(within(timeAt(0.9, 61), 15)).toBe(14)
    expect(within(timeAt(1, 0.4), 0.4)).toBe(0)
  })
})
