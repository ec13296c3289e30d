import type { PortalPage } from '@/api/types'

type Wanted = PortalPage['wanted'][number]

/** What was found of a wanted line, in plain words. */
export function foundWords(w: Wanted): string {
  const parts = []
  if (w.whole) parts.push(`${w.whole} whole`)
  if (w.gapped) parts.push(`${w.gapped} with gaps or in doubt`)
  if (w.missing) parts.push(`${w.missing} not found`)
  if (!parts.length) return 'Nothing of this was found.'
  return `${parts.join(', ')}${w.hopedFor ? `, of about ${w.hopedFor} that you hoped for` : ''}.`
}

/** The truth in a line: all, most, some or nothing of the list. */
export function headline(page: PortalPage): string {
  const name = page.contactPerson.split(' ')[0] ?? ''
  const to = name ? `, ${name}` : ''
  const found = page.wanted.reduce((n, w) => n + w.whole + w.gapped, 0)
  const missing = page.wanted.reduce((n, w) => n + w.missing, 0)
  if (!page.wanted.length) return `Your files are here${to}.`
  if (found === 0) return `We found nothing of your list${to}.`
  if (missing === 0) return `Your whole list is here${to}.`
  return found >= missing ? `Most of your list is here${to}.` : `Some of your list is here${to}.`
}
