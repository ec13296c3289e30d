import type { RankedPath } from '@/api/types'

/** Facts against paths: what each fact weighs for every path. */
export interface Matrix {
  paths: { path: string; label: string }[]
  rows: { fact: string; observed: boolean; weights: number[] }[]
}

/** Rows in order of what they weigh in all; facts that weigh nothing and paths that no fact touches are left out. */
export function matrixOf(all: readonly RankedPath[]): Matrix {
  const ranking = all.filter((p) => p.for.length + p.against.length > 0)
  const byFact = new Map<string, { observed: boolean; weights: number[] }>()
  ranking.forEach((path, column) => {
    const take = (fact: string, observed: boolean, weight: number) => {
      const row = byFact.get(fact) ?? { observed, weights: ranking.map(() => 0) }
      row.weights[column] = (row.weights[column] ?? 0) + weight
      byFact.set(fact, row)
    }
    path.for.forEach((p) => take(p.fact, p.observed, p.weight))
    path.against.forEach((p) => take(p.fact, p.observed, -p.weight))
  })
  const sum = (weights: number[]) => weights.reduce((a, w) => a + Math.abs(w), 0)
  return {
    paths: ranking.map(({ path, label }) => ({ path, label })),
    rows: [...byFact]
      .map(([fact, row]) => ({ fact: fact || 'no fact', ...row }))
      .sort((a, b) => sum(b.weights) - sum(a.weights)),
  }
}
