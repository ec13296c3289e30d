import type { CopySearch } from '@/api/types'
import { day } from '@/ui/format/format'

export type Looked = CopySearch['places'][number]
export type Place = Looked['place']
export type Finding = Looked['finding']

export const PLACES: Record<Place, { words: string; where: string }> = {
  trash: { words: 'Trash', where: 'of the machine that it was deleted on' },
  backup: { words: 'Backup', where: 'even an old one' },
  'version-history': { words: 'Version history', where: 'earlier versions that a system or a service keeps' },
  'second-machine': { words: 'Second machine', where: 'another computer, phone or tablet' },
  'second-card': { words: 'Second card or disk', where: 'that it was copied from or to' },
  cloud: { words: 'Cloud', where: 'a service that took it up, mail that carried it' },
  'rescue-service': { words: 'The maker’s rescue service', where: 'came with some devices' },
}

/** A place as it is called, with the name that tells it from others of its kind. */
export function placeWords(of: Looked): string {
  return of.called ? `${PLACES[of.place].words}: ${of.called}` : PLACES[of.place].words
}

/** What came of looking at a place, in a line. */
export function foundWords(of: Looked): string {
  const f = of.finding
  if (f.result === 'to-look') return 'nobody looked yet'
  if (f.result === 'nothing') return `nothing there, looked by ${f.lookedBy}`
  return [
    `found by ${f.lookedBy}`,
    f.newest ? `newest of ${day(f.newest)}` : 'how new it is, nobody said',
    f.opened ? `opened: ${f.opened}` : 'nothing of it opened',
  ].join(' · ')
}

/** Wanted lines that no copy is seen to hold. */
export function uncovered(search: CopySearch): CopySearch['lines'] {
  return search.lines.filter((l) => l.cover !== 'covered')
}

/** How much is covered, in a sentence. */
export function coverWords(search: CopySearch): string {
  const all = search.lines.length
  const left = uncovered(search).length
  if (!all) return 'Nothing is on the wanted list; write down first what is looked for.'
  if (left === 0) return all === 1 ? 'The wanted line is covered.' : `All ${all} wanted lines are covered.`
  return `${all - left} of ${all} wanted ${all === 1 ? 'line is' : 'lines are'} covered.`
}

/** How a place holds a line: seen, said to, or not. */
export function holds(of: Looked, line: number): 'seen' | 'said' | undefined {
  if (of.finding.result !== 'found' || !of.finding.covers.includes(line)) return undefined
  return of.finding.opened ? 'seen' : 'said'
}
