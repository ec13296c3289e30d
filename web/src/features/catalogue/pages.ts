import type { CatalogueLine } from '@/api/types'

/** Some lines of a list, as they were fetched together. */
export interface Page {
  readonly lines: readonly CatalogueLine[]
  /** Something changed since; it is fetched anew when somebody looks at it. */
  readonly stale: boolean
}

/** More lines than anybody goes through one by one are not kept: whoever wants the others asks for less. */
export const MOST_LINES = 20_000

/** Each line once: one that moved down stands in a page that was fetched before, too, until that is fetched anew. */
export function linesOf(pages: readonly Page[]): CatalogueLine[] {
  return [...new Map(pages.flatMap((p) => p.lines).map((l) => [l.id, l])).values()]
}

export function madeStale(pages: readonly Page[]): Page[] {
  return pages.map((p) => ({ ...p, stale: true }))
}

/** The first page behind the one at the top that is stale and has a line between two places; -1 for none. */
export function staleBetween(pages: readonly Page[], from: number, to: number): number {
  let begin = 0
  for (const [i, page] of pages.entries()) {
    const end = begin + page.lines.length
    if (i > 0 && page.stale && begin <= to && end > from) return i
    begin = end
  }
  return -1
}

/** The line that a page begins behind. */
export function lineBefore(pages: readonly Page[], index: number): number | undefined {
  return linesOf(pages.slice(0, index)).at(-1)?.id
}

/** A page was fetched anew. Where it ends at another line, the one behind it begins elsewhere now. */
export function renewed(pages: readonly Page[], index: number, lines: readonly CatalogueLine[]): Page[] {
  const moved = pages[index]?.lines.at(-1)?.id !== lines.at(-1)?.id
  return pages
    .map((p, i) => (i === index ? { lines, stale: false } : i === index + 1 && moved ? { ...p, stale: true } : p))
    .filter((p) => p.lines.length)
}

/** What is seen of a change at once, however far down it is; the first page is kept fresh by itself. */
export function chosenIn(pages: readonly Page[], ids: readonly number[], selected: boolean): Page[] {
  const some = new Set(ids)
  const seen = (l: CatalogueLine) => (some.has(l.id) ? { ...l, selected } : l)
  return pages.map((p, i) => (i ? { ...p, lines: p.lines.map(seen) } : p))
}
