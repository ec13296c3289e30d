import type { ImagingView, SessionReport } from '@/api/types'
import { count, duration, size } from '@/ui/format/format'

/** From the least to the most that it may take, in seconds. */
export interface Span {
  low: number
  high: number
}

export const placesWords = (places: number): string => `${count(places)} ${places === 1 ? 'place' : 'places'}`

/** Bytes of a medium that were not asked for yet. */
export const unasked = (s: Pick<ImagingView, 'size' | 'readBytes' | 'failedBytes' | 'deferredBytes'>): number =>
  Math.max(0, s.size - s.readBytes - s.failedBytes - s.deferredBytes)

/** Bytes that will have been read at its end; unknown while the records of a straight copy are being read. */
export const inAll = (s: Pick<ImagingView, 'size' | 'files'>): number | undefined => (s.files ? s.files.inAll : s.size)

/** What became of every byte; the parts are the whole. */
export function sumWords(s: Pick<ImagingView, 'size' | 'readBytes' | 'failedBytes' | 'deferredBytes'>): string {
  const parts = [
    `${count(s.readBytes)} read`,
    `${count(s.deferredBytes)} deferred`,
    `${count(s.failedBytes)} failed`,
    `${count(unasked(s))} not asked for`,
  ]
  return `${parts.join(' + ')} = ${count(s.size)} bytes`
}

/** A rate that is this much below the better one happens again before the end. */
const SLOWER = 1.25

/**
 * How long until every byte was asked for once. The better of the present rate and the mean so far gives the low end,
 * the worse one the high end; what was put off comes at the worse one, since it was put off for a reason.
 */
export function timeLeft(s: ImagingView): Span | undefined {
  const all = inAll(s)
  if (all === undefined) return undefined
  const left = s.files ? Math.max(0, all - s.readBytes - s.failedBytes - s.deferredBytes) : unasked(s)
  if (left + s.deferredBytes === 0) return { low: 0, high: 0 }
  const read = s.passes.reduce((sum, p) => sum + p.readBytes, 0)
  const mean = s.runningMillis > 0 ? (read / s.runningMillis) * 1000 : 0
  const rates = [s.rate, mean].filter((r) => r > 0)
  if (!rates.length) return undefined
  const best = Math.max(...rates)
  const worst = Math.min(...rates) / SLOWER
  return {
    low: (left + s.deferredBytes) / best,
    high: (left + s.deferredBytes) / worst + (s.faults ? s.deferredBytes / worst : 0),
  }
}

/** As people say it: one value when both ends sound the same. */
export function spanWords(span: Span | undefined): string {
  if (!span) return '–'
  const low = duration(span.low)
  const high = duration(span.high)
  if (low === high) return low
  const [l, ...unit] = low.split(' ')
  const rest = high.split(' ')
  return unit.length === 1 && rest.length === 2 && unit[0] === rest[1] ? `${l}–${high}` : `${low} – ${high}`
}

/** What another lab's session came to, as that lab said. */
export function elsewhereWords(s: ImagingView): string {
  const end = s.state === 'done' ? (s.endedEarly ? 'ended early' : 'done') : 'not ended when the case was packed'
  const failed = s.failedBytes ? `, ${count(s.failedBytes)} bytes in ${placesWords(s.failedPlaces)} did not read` : ''
  return `${s.elsewhere ?? 'Another lab'}: ${size(s.readBytes)} of ${size(s.size)} read${failed}; ${end}.`
}

/** What a straight copy that runs is at: its records, its files, or the check of both from the copy. */
function copyingWords(files: NonNullable<ImagingView['files']>, pass: ImagingView['pass']): string {
  if (pass === 'check') {
    const done = `${count(files.checked ?? 0)} of ${count(files.count ?? 0)}`
    return `Checking every record and file once more, from the copy: ${done}.`
  }
  return files.count === undefined ? 'Reading its records.' : 'Copying its files.'
}

/** The state of a session in a sentence. */
export function stateWords(s: ImagingView): string {
  switch (s.state) {
    case 'waiting':
      return 'Waiting for a free worker.'
    case 'running':
      if (s.asked) return s.asked === 'enough' ? 'It ends with what is read.' : 'It stops at the end of this request.'
      if (s.resting) return s.resting
      if (s.restAsked) return 'It rests after this request.'
      if (s.files) return copyingWords(s.files, s.pass)
      return s.pass === 'hashing'
        ? `Hashing the image, ${size(s.hashedBytes)} of ${size(s.size)}.`
        : `Reading, ${s.pass} pass.`
    case 'paused':
      return s.trouble ?? 'Paused; what was read is kept.'
    case 'failed':
      return `${s.trouble ?? 'It ended.'} What was read is kept; resume when that is mended.`
    default: {
      const early = s.endedEarly ? 'Ended early by decision. ' : 'Done. '
      if (s.files && s.endedEarly)
        return `Ended by decision before every file was copied and found sound; ${size(s.readBytes)} were read.`
      if (s.files) {
        const read = `${size(s.readBytes)} of ${size(s.size)} were read`
        return `${early}${count(s.files.count ?? 0)} files were copied and checked; ${read}.`
      }
      if (s.readBytes === s.size) return `${early}Every byte was read.`
      return s.endedEarly
        ? `${early}${count(s.size - s.readBytes)} bytes were not read.`
        : `${early}${count(s.failedBytes)} bytes in ${placesWords(s.failedPlaces)} did not read.`
    }
  }
}

/** What is left was put off for trouble; how long that takes, nothing of what was read tells. */
export const inBadParts = (s: ImagingView): boolean =>
  s.state === 'running' && s.faults > 0 && s.deferredBytes > 0 && s.pass !== 'sweep' && s.pass !== 'hashing'

/** Why a report lists no unread range. */
export function unlistedWords(report: Pick<SessionReport, 'session' | 'wentOn'>): string {
  const { id, size: all, readBytes } = report.session
  if (report.wentOn)
    return (
      `Session ${report.wentOn} went on in this image, and its map is of that session now. ` +
      `What was unread at the end of this one stands in session-${id}.report.json, kept beside the image.`
    )
  return readBytes === all
    ? 'Nothing: every byte was read.'
    : 'The map of this image is not there, so its ranges cannot be listed.'
}

export function leftWords(s: ImagingView): string {
  if (s.state === 'done') return duration(s.runningMillis / 1000)
  if (s.state !== 'running' || s.resting || s.pass === 'hashing') return '–'
  return inBadParts(s) ? 'no estimate' : spanWords(timeLeft(s))
}
