import type { RankedPath } from '@/api/types'

/** Geometry of the ranking scale. */

export interface Segment {
  key: string
  path: string
  fact: string
  reason: string
  weight: number
  speaksFor: boolean
  observed: boolean
  /** Left edge and width, in weights from the centre line; negative is left. */
  from: number
  width: number
}

export interface Row {
  path: string
  label: string
  score: number
  barred: boolean
  barredBecause: string
  segments: Segment[]
}

/** Segments grow outward from the centre line, what weighs most first. */
export function rowsOf(ranking: readonly RankedPath[]): Row[] {
  return ranking.map((p) => ({
    path: p.path,
    label: p.label,
    score: p.score,
    barred: p.barred,
    barredBecause: p.barredBecause.join(' '),
    segments: [...side(p, true), ...side(p, false)],
  }))
}

function side(p: RankedPath, speaksFor: boolean): Segment[] {
  let edge = 0
  return [...(speaksFor ? p.for : p.against)]
    .sort((a, b) => b.weight - a.weight)
    .map((piece, i) => {
      const from = speaksFor ? edge : -edge - piece.weight
      edge += piece.weight
      return {
        key: `${p.path}-${speaksFor ? 'for' : 'against'}-${i}`,
        path: p.path,
        fact: piece.fact,
        reason: piece.reason,
        weight: piece.weight,
        speaksFor,
        observed: piece.observed,
        from,
        width: piece.weight,
      }
    })
}

/** Whether there is anything to show of a path. */
export function speaks(row: Row): boolean {
  return row.segments.length > 0 || row.barred
}

/** The farthest any bar reaches to each side; at least 4, so that a near-empty scale does not look loud. */
export function reach(rows: readonly Row[]): { against: number; for: number } {
  const edges = rows.flatMap((r) => r.segments)
  return {
    against: Math.max(4, ...edges.map((s) => -s.from)),
    for: Math.max(4, ...edges.map((s) => s.from + s.width)),
  }
}

/** A fact's value in words, for inside a segment. */
export function factWords(fact: string): string {
  return (fact.split('=')[1] ?? fact).replace(/-/g, ' ')
}
