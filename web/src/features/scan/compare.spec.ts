import { describe, expect, it } from 'vitest'
import type { Comparison } from '@/api/types'
import { differences, kindDifferences } from './compare'

const side = (files: number) => ({ files, bytes: files * 100 })
const comparison: Comparison = {
  a: 4,
  b: 7,
  onlyA: side(1),
  onlyB: side(9),
  both: side(20),
  betterA: side(0),
  betterB: side(3),
  kinds: [
    { kind: 'jpg', onlyA: side(0), onlyB: side(7), both: side(10) },
    { kind: 'pdf', onlyA: side(0), onlyB: side(0), both: side(9) },
    { kind: 'mp3', onlyA: side(1), onlyB: side(2), both: side(1) },
  ],
}

describe('the comparison of two sessions', () => {
  it('opens each difference by a filter of its own', () => {
    const rows = differences(comparison)
    expect(rows.map((r) => r.side.files)).toEqual([1, 9, 20, 0, 3])
    expect(rows[1]).toMatchObject({ words: 'only in session 7', query: { foundBy: '7', notFoundBy: '4' } })
    expect(rows[4]!.query).toEqual({ foundBy: '7', worseIn: '4' })
    expect(rows[2]!.query).toEqual({ foundBy: '4' })
  })
  it('names the kinds that differ, most first', () => {
    expect(kindDifferences(comparison).map((k) => k.kind)).toEqual(['jpg', 'mp3'])
  })
})
