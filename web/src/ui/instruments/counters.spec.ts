import { describe, expect, it } from 'vitest'
import { frameOf, marksAt, shareY, stepPath } from './counters'

const samples = [
  { at: 1000, value: 10 },
  { at: 2000, value: 10 },
  { at: 3000, value: 20 },
]

describe('a counter over time', () => {
  it('keeps its limit in sight', () => {
    const frame = frameOf(samples, 55, 3000)
    expect(shareY(frame, 55)).toBeLessThan(1)
    expect(shareY(frame, 10)).toBeGreaterThan(0)
    expect(frameOf(samples, undefined, 3000).high).toBeLessThan(30)
  })
  it('stands until it is read again', () => {
    const frame = { from: 1000, to: 3000, low: 0, high: 20 }
    expect(stepPath(samples, frame, 100, 20)).toBe('M0.0 10.0H50.0V10.0H100.0V0.0H100.0')
    expect(stepPath([], frame, 100, 20)).toBe('')
  })
  it('makes no more marks than there are places for', () => {
    const frame = { from: 0, to: 100_000, low: 0, high: 1 }
    const moments = Array.from({ length: 100_000 }, (_, i) => i)
    expect(marksAt(moments, frame, 190)).toHaveLength(191)
    expect(marksAt([-5, 200_000], frame, 190)).toEqual([])
  })
})
