import type { Closing, ClosingDevice } from '@/api/types'
import { day } from '@/ui/format/format'

export type Outcome = Closing['options'][number]['outcome']
export type Disposition = NonNullable<ClosingDevice['disposed']>['disposition']

/** What became of a device, as a person says it. */
export const DISPOSITIONS: Record<Disposition, { words: string; asks: string }> = {
  returned: { words: 'given back', asks: 'To whom, and how they showed who they are' },
  destroyed: { words: 'destroyed as they wished', asks: 'Who wished it, and how it was done' },
  kept: { words: 'kept by the lab', asks: 'Why, and until when' },
  'never-came': { words: 'never came', asks: 'What is known of it, if anything' },
}

/** With what a case ends. */
export const OUTCOMES: Record<Outcome, { words: string; means: string }> = {
  delivered: { words: 'Delivered', means: 'They have a delivery of the lab.' },
  'copy-found': { words: 'A copy was found', means: 'Nothing had to be recovered.' },
  'nothing-recoverable': { words: 'Nothing recoverable', means: 'The work was done; nothing of it can be had.' },
  declined: { words: 'Declined', means: 'The lab said no, with its reason.' },
  'collected-unrecovered': {
    words: 'Collected unrecovered',
    means: 'They took the devices back before the work was done, and signed for it.',
  },
}

/** All that keeps a case from being closed with an outcome, each in a sentence. */
export function lacking(state: Closing, outcome: Outcome | undefined): string[] {
  const option = state.options.find((o) => o.outcome === outcome)
  return [...state.missing, ...(option?.lacks ?? [])]
}

/** What must be written down with an outcome; empty where nothing must. */
export function asked(state: Closing, outcome: Outcome | undefined): string {
  return state.options.find((o) => o.outcome === outcome)?.asks ?? ''
}

/** The outcome that a case lacks least for; none while several lack as little. */
export function likeliest(state: Closing): Outcome | undefined {
  const free = state.options.filter((o) => o.lacks.length === 0 && o.outcome !== 'copy-found')
  const sure = free.filter((o) => o.outcome !== 'nothing-recoverable')
  return sure.length === 1 ? sure[0]?.outcome : undefined
}

/** What became of a device, in a line. */
export function disposedWords(device: ClosingDevice): string {
  const it = device.disposed
  if (!it) return 'with the lab'
  const said = `${DISPOSITIONS[it.disposition].words}, ${day(it.day)}`
  return it.words ? `${said}: ${it.words}` : said
}
