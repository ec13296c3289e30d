import type { PortalPage } from '@/api/types'
import { count } from '@/ui/format/format'

type Wanted = PortalPage['wanted'][number]

/**
 * What was found of a wanted line, and what of it is in this delivery, in plain words; all of it read from the sealed
 * account.
 */
export function foundWords(w: Wanted): string {
  const { whole, partly, mayFit } = w.found
  if (whole + partly + mayFit === 0)
    return w.hopedFor
      ? `Nothing of this was found; you hoped for about ${count(w.hopedFor)}.`
      : 'Nothing of this was found.'
  const parts = [`${count(whole + partly)} that fit`]
  if (mayFit) parts.push(`${count(mayFit)} of which nobody can say whether you meant them`)
  return `We found ${parts.join(', and ')}${w.hopedFor ? `; you hoped for about ${count(w.hopedFor)}` : ''}.`
}

export function deliveredWords(w: Wanted): string {
  const { whole, partly } = w.delivered
  if (whole + partly === 0) return 'None of it is in this delivery.'
  const parts = [whole ? `${count(whole)} whole` : '', partly ? `${count(partly)} with gaps or in doubt` : ''].filter(
    Boolean,
  )
  const sure = w.confirmed
    ? `The lab looked at them: ${count(w.confirmed.theirs)} are what you asked for.`
    : 'Nobody has confirmed yet that they are the ones you meant; please look.'
  return `In this delivery: ${parts.join(', ')}. ${sure}`
}

/** Notches: what of a line is in the bag, and what of it is not. */
export function partsOf(w: Wanted): { whole: number; gapped: number; may: number; missing: number } {
  const { whole, partly } = w.delivered
  const sure = w.confirmed !== undefined || w.found.mayFit === 0
  return {
    whole: sure ? whole : 0,
    gapped: sure ? partly : 0,
    may: sure ? 0 : whole + partly,
    missing: Math.max(0, w.hopedFor - whole - partly),
  }
}

/** The truth in a line: the whole list only where each line was delivered whole and confirmed. */
export function headline(page: PortalPage): string {
  const name = page.contactPerson.split(' ')[0] ?? ''
  const to = name ? `, ${name}` : ''
  if (!page.wanted.length) return `Your files are here${to}.`
  const must = page.wanted.filter((w) => w.mustHave)
  const all = must.length ? must : page.wanted
  if (all.every((w) => w.complete)) return `Your whole list is here${to}.`
  const delivered = page.wanted.filter((w) => w.delivered.whole + w.delivered.partly > 0)
  if (!delivered.length) return `Nothing of your list is in this delivery${to}.`
  return delivered.every((w) => w.confirmed)
    ? `Part of your list is here${to}.`
    : `Files that may be yours are here${to}.`
}
