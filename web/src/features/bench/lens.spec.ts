import { describe, expect, it } from 'vitest'
import { FIRST, around, magnified, moved } from './lens'

const width = (s: { from: number; to: number }): number => s.to - s.from

describe('the lens', () => {
  it('stays on the device wherever it is pointed', () => {
    for (const share of [0, 0.001, 0.3, 0.999, 1]) {
      const s = around(FIRST, share)
      expect(s.from).toBeGreaterThanOrEqual(0)
      expect(s.to).toBeLessThanOrEqual(1)
      expect(width(s)).toBeCloseTo(width(FIRST))
    }
    const middle = around(FIRST, 0.5)
    expect((middle.from + middle.to) / 2).toBeCloseTo(0.5)
  })
  it('moves by half of itself and rests at the ends', () => {
    const s = around(FIRST, 0.5)
    expect(moved(s, 1).from).toBeCloseTo(s.from + width(s) / 2)
    expect(moved(moved(s, 1), -1).from).toBeCloseTo(s.from)
    let left = s
    for (let i = 0; i < 100; i++) left = moved(left, -1)
    expect(left.from).toBe(0)
    expect(moved(left, -1)).toEqual(left)
  })
  it('comes nearer about its middle, down to a bound, and goes no farther than a fifth', () => {
    let s = around(FIRST, 0.5)
    for (let i = 0; i < 30; i++) s = magnified(s, true)
    expect(width(s)).toBeCloseTo(1 / 4096)
    expect((s.from + s.to) / 2).toBeCloseTo(0.5)
    for (let i = 0; i < 30; i++) s = magnified(s, false)
    expect(width(s)).toBeCloseTo(1 / 5)
  })
})
