import type { EndedCase, PastEnded } from '@/api/types'

export type HowEnded = EndedCase['how']

/** What a customer got at the end of a case, the best first. */
export const HOW: Record<HowEnded, string> = {
  whole: 'all that was chosen came back whole',
  partly: 'some of it whole, in parts or in doubt',
  nothing: 'nothing of it',
  copy: 'a copy was there already',
  collected: 'taken back before the work was done',
  undelivered: 'closed without a delivery',
  declined: 'declined',
}

/** With which each is drawn; of those that are alike on paper, their place in a row tells them apart. */
export const FILL: Record<HowEnded, string> = {
  whole: 'var(--ink)',
  partly: 'url(#p-deferred)',
  nothing: 'url(#p-dots)',
  copy: 'url(#p-thin)',
  collected: 'var(--well)',
  undelivered: 'url(#p-half)',
  declined: 'var(--sheet)',
}

export const WAYS = Object.keys(HOW) as HowEnded[]

/** A piece of a row in which each case takes as much room as any other. */
export interface Piece {
  how: HowEnded
  from: number
  cases: number
}

/** One behind the other, the best first. */
export function pieces(how: readonly PastEnded[]): Piece[] {
  let from = 0
  return WAYS.flatMap((way) => {
    const cases = how.find((h) => h.how === way)?.cases ?? 0
    const piece = { how: way, from, cases }
    from += cases
    return cases > 0 ? [piece] : []
  })
}
