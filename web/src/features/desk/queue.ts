import type { Decision } from '@/api/types'

/** Where a row stands now; undefined when it is gone. */
export function placeOf(rows: readonly Decision[], key: string | undefined): number | undefined {
  const at = rows.findIndex((r) => r.key === key)
  return at < 0 ? undefined : at
}

/**
 * The row that is chosen next. When the chosen one is gone, none is chosen until a person moves: a key that was meant
 * for it must not reach the one that came to its place.
 *
 * @param place where the chosen one stood last
 */
export function neighbour(
  rows: readonly Decision[],
  key: string | undefined,
  place: number,
  by: 1 | -1,
): string | undefined {
  const at = placeOf(rows, key)
  const next = at !== undefined ? at + by : by > 0 ? place : place - 1
  return rows[Math.min(rows.length - 1, Math.max(0, next))]?.key
}

/** What a key of a row does to it, by name; nothing where it has no such action. */
export function keyDoes(row: Decision | undefined, n: number): string | undefined {
  const action = row?.actions[n]
  return row && action && `${action.label.toLowerCase()}: ${row.caseNumber.slice(-4)}`
}

/** Where a question is answered, with the device that it is about. */
export function placeFor(
  question: Pick<Decision, 'caseNumber' | 'device'>,
  place: string,
): { path: string; query: { device?: string } } {
  return {
    path: `/cases/${question.caseNumber}/${place}`,
    query: question.device === undefined ? {} : { device: String(question.device) },
  }
}
