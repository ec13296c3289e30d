/** One page of a list: which, of what length, of how many in all. */
export interface PageOf {
  page: number
  size: number
  total: number
}

/** What a page shows, counted from 1; nothing of an empty list. */
export function stretchOf(of: PageOf): { first: number; last: number } {
  return { first: Math.min(of.total, of.page * of.size + 1), last: Math.min(of.total, (of.page + 1) * of.size) }
}
