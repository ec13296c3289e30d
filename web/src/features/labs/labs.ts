import type { Arrival, ArrivalSays, Packing } from '@/api/types'
import { count, dateAndTime } from '@/ui/format/format'

type Brings = ArrivalSays['brings'][number]

const NAMES: Record<Brings['what'], [string, string]> = {
  devices: ['device', 'devices'],
  facts: ['fact', 'facts'],
  notes: ['note or call', 'notes and calls'],
  imaging: ['imaging session', 'imaging sessions'],
  scans: ['scan session', 'scan sessions'],
  entries: ['custody entry', 'custody entries'],
}

/** So many of something, in words. */
export function brought(what: Brings['what'], many: number): string {
  return `${count(many)} ${NAMES[what][many === 1 ? 0 : 1]}`
}

/** Whether a file would change anything here. */
export const isNews = (says: ArrivalSays): boolean => says.brings.some((b) => b.fresh > 0)

/** What bringing a file in comes to, in one sentence. */
export function meaning(says: ArrivalSays): string {
  if (!says.here) return 'The case was never here: it becomes a new one, with a number of this lab.'
  if (!isNews(says)) return `It is ${says.here}, and nothing in the file is new here.`
  return `It is ${says.here}: what is new joins it, what is here stays as it is.`
}

/** What became of a file, in one sentence. */
export function arrivalWords(a: Arrival): string {
  const when = a.decidedAt ? ` on ${dateAndTime(a.decidedAt)}` : ''
  if (a.state === 'brought-in')
    return `Brought in as ${a.caseNumber ?? 'a case'} by ${a.decidedBy ?? 'somebody'}${when}.`
  if (a.state === 'put-aside') return `Put aside by ${a.decidedBy ?? 'somebody'}${when}; nothing of it came in.`
  return 'Looked at, not decided.'
}

/** Where a packing stands, in one sentence. */
export function packingWords(p: Packing): string {
  if (p.state === 'waiting' || p.state === 'running') return 'It is being packed.'
  if (p.state === 'failed')
    return `It could not be packed: ${p.trouble ?? 'it ended.'} Nothing of the case was changed.`
  return p.takenAt ? `Packed; taken out on ${dateAndTime(p.takenAt)}.` : 'Packed; nobody has taken it out yet.'
}
