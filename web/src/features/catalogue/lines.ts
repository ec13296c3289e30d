import { count, size } from '@/ui/format/format'
import { asFound } from '@/ui/format/names'
import type { CatalogueLine, WantedState } from '@/api/types'

/** Of a finding whose image is in another lab. */
export const notHere = (lab: string): string =>
  `Its bytes are in the image at ${lab}, not here: read the device here to look at it and to recover it.`

/** What a finding is called: as the lab calls it, its record, its content, or by where it was found. */
export function calledOf(line: CatalogueLine): string {
  const name = line.remark?.called ?? line.stands?.name ?? line.suggestedName
  return name !== undefined ? asFound(name) : `${line.kind} at ${size(line.extents[0]?.offset ?? 0)}`
}

/** Where a finding stands, as people read it. */
export function placeOf(line: CatalogueLine): string {
  if (!line.stands) return 'no name kept'
  const folder = asFound(line.stands.folder).split('/').filter(Boolean).join(' › ') || 'top folder'
  return line.stands.trashed ? `${folder}, now in the trash` : folder
}

/** `+ 2 places`: where else records say that it stands, as files of several names do. */
export function morePlaces(line: Pick<CatalogueLine, 'places'>): string {
  const more = line.places.length - 1
  return `+ ${count(more)} ${more === 1 ? 'place' : 'places'}`
}

/** Which wanted lines a finding fits, as they are numbered on the list; those that it may fit with a question mark. */
export function wantedMarks(
  fits: readonly number[],
  mayFit: readonly number[],
  wanted: readonly WantedState[],
): string {
  return wanted
    .map((w, i) => (fits.includes(w.line.id) ? `W${i + 1}` : mayFit.includes(w.line.id) ? `W${i + 1}?` : ''))
    .filter(Boolean)
    .join(' ')
}

/** What is said of a finding and each wanted line, with the reason. */
export function fitWords(line: CatalogueLine, wanted: readonly WantedState[]): string[] {
  const VERDICT: Record<string, string> = { fits: 'fits', 'may-fit': 'may fit', not: 'does not fit' }
  return line.fits
    .map((f) => ({ f, at: wanted.findIndex((w) => w.line.id === f.line) }))
    .filter(({ at }) => at >= 0)
    .map(({ f, at }) => `${VERDICT[f.verdict] ?? f.verdict} W${at + 1}${f.why ? `: ${f.why}` : ''}`)
}
