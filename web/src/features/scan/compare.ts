import type { Comparison } from '@/api/types'

type Side = Comparison['both']

/** A row of the comparison, and the catalogue's filter that opens it. */
export interface Difference {
  words: string
  side: Side
  query: Record<string, string>
}

export function differences(c: Comparison): Difference[] {
  const [a, b] = [String(c.a), String(c.b)]
  return [
    { words: `only in session ${a}`, side: c.onlyA, query: { foundBy: a, notFoundBy: b } },
    { words: `only in session ${b}`, side: c.onlyB, query: { foundBy: b, notFoundBy: a } },
    { words: `in both`, side: c.both, query: { foundBy: a, worseIn: '' } },
    { words: `better in session ${a}`, side: c.betterA, query: { foundBy: a, worseIn: b } },
    { words: `better in session ${b}`, side: c.betterB, query: { foundBy: b, worseIn: a } },
  ].map((d) => ({ ...d, query: Object.fromEntries(Object.entries(d.query).filter(([, v]) => v)) }))
}

const MOST_KINDS = 12

/** Kinds in which the sessions differ, most first. */
export function kindDifferences(c: Comparison): Comparison['kinds'] {
  const different = (k: Comparison['kinds'][number]): number => k.onlyA.files + k.onlyB.files
  return c.kinds
    .filter((k) => different(k) > 0)
    .sort((x, y) => different(y) - different(x) || x.kind.localeCompare(y.kind))
    .slice(0, MOST_KINDS)
}
