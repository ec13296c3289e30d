import { count } from '@/ui/format/format'

/** A stretch of a file, from one share of its length to another. */
export interface Share {
  from: number
  to: number
}

const WHAT: Readonly<Record<string, string>> = {
  picture: ' What is drawn from there on may be displaced, of other colours, or missing.',
  text: ' What stands there is missing.',
  tables: ' What stands there is missing.',
}

/** Where bytes are missing, and what that means for what is shown of the rest. */
export function gapWords(unread: readonly Share[], shape: string): string {
  const share = unread.reduce((sum, u) => sum + u.to - u.from, 0)
  const of = share < 0.001 ? 'less than 0.1 %' : `${(100 * share).toFixed(1)} %`
  const first = unread[0]?.from ?? 0
  const one = unread.length === 1
  const after = `after ${(100 * first).toFixed(1)} % of its length`
  const begins = first < 0.001 ? 'from its first bytes on' : one ? after : `the first ${after}`
  const stretches = one ? 'one stretch' : `${count(unread.length)} stretches`
  return `Hatched: never read, ${stretches}, ${of} of its bytes, ${begins}.${WHAT[shape] ?? ''}`
}
