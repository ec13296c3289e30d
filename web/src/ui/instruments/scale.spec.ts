import { describe, expect, it } from 'vitest'
import type { RankedPath } from '@/api/types'
import { factWords, reach, rowsOf } from './scale'

const path: RankedPath = {
  path: 'hardware-work',
  label: 'Hardware work',
  score: 5,
  barred: false,
  barredBecause: [],
  for: [
    { fact: 'loss.event=dropped', weight: 3, reason: 'a', observed: false },
    { fact: 'symptom.noise=clicking', weight: 8, reason: 'b', observed: false },
  ],
  against: [{ fact: 'bench.detected=yes', weight: 3, reason: 'c', observed: true }],
}

describe('the ranking scale', () => {
  it('grows outward from the centre, heaviest first', () => {
    const [row] = rowsOf([path])
    expect(row!.segments.map((s) => [s.from, s.width])).toEqual([
      [0, 8],
      [8, 3],
      [-3, 3],
    ])
  })
  it('reaches as far as its longest bar', () => {
    expect(reach(rowsOf([path]))).toEqual({ against: 4, for: 11 })
  })
  it('puts a fact in words', () => {
    expect(factWords('symptom.appears=asks-to-format')).toBe('asks to format')
  })
})
