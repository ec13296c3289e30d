import type { CatalogueLine, Difference } from '@/api/types'
import { bytes, count, dateAndTime } from '@/ui/format/format'

/** How a version stands apart from the others of its place. */
export function stateWords(line: Pick<CatalogueLine, 'origins' | 'sessions' | 'stands'>): string {
  const how = line.stands?.trashed ? 'in the trash' : line.origins.join(', ')
  return `${how}; ${line.sessions.length === 1 ? 'session' : 'sessions'} ${line.sessions.join(', ')}`
}

export function whenWords(line: Pick<CatalogueLine, 'modified'>): string {
  return line.modified ? dateAndTime(line.modified) : 'no time kept'
}

/** How two neighbours differ, in one sentence. */
export function differenceWords(d: Difference): string {
  const parts = [
    d.differing
      ? `${count(d.differing)} of ${count(d.compared)} bytes ${d.differing === 1 ? 'differs' : 'differ'}`
      : d.compared
        ? `all ${count(d.compared)} bytes that were read of both are the same`
        : 'no byte was read of both',
  ]
  if (d.beyond) parts.push(`${bytes(d.beyond)} more in the longer one`)
  if (d.unread) parts.push(`${count(d.unread)} not known, for they were never read`)
  return `${parts.join('; ')}.`
}

/** Slots that follow each other and are alike, as stretches from 0 to 1. */
export function stretches(
  slots: readonly Difference['slots'][number][],
): { as: Difference['slots'][number]; from: number; to: number }[] {
  const all: { as: Difference['slots'][number]; from: number; to: number }[] = []
  slots.forEach((as, i) => {
    const last = all.at(-1)
    if (last?.as === as) last.to = (i + 1) / slots.length
    else all.push({ as, from: i / slots.length, to: (i + 1) / slots.length })
  })
  return all.filter((s) => s.as !== 'same')
}
