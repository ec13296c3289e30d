import { describe, expect, it } from 'vitest'
import type { RankedPath } from '@/api/types'
import { matrixOf } from './matrix'

const piece = (fact: string, weight: number) => ({ fact, weight, reason: '', observed: false })
const path = (
  name: RankedPath['path'],
  speaksFor: ReturnType<typeof piece>[],
  against: ReturnType<typeof piece>[],
): RankedPath => ({ path: name, label: name, score: 0, barred: false, barredBecause: [], for: speaksFor, against })

describe('the fact matrix', () => {
  it('sums what a fact weighs for each path, heaviest fact first', () => {
    const matrix = matrixOf([
      path('straight-copy', [piece('x=1', 2), piece('x=1', 3)], []),
      path('decline', [piece('y=2', 1)], [piece('x=1', 4)]),
    ])
    expect(matrix.rows).toEqual([
      { fact: 'x=1', observed: false, weights: [5, -4] },
      { fact: 'y=2', observed: false, weights: [0, 1] },
    ])
  })
  it('is empty without facts', () => {
    expect(matrixOf([path('straight-copy', [], [])]).rows).toEqual([])
  })
})
