import type { ImagingView } from '@/api/types'
import { count, duration, size } from '@/format/format'

/** Seconds until every byte was asked for once, at the present rate; Infinity while nobody can say. */
export function secondsLeft(s: ImagingView): number {
  const left = s.size - s.readBytes - s.failedBytes
  return s.rate > 0 ? left / s.rate : left === 0 ? 0 : Infinity
}

/** The state of a session in a sentence. */
export function stateWords(s: ImagingView): string {
  switch (s.state) {
    case 'waiting': return 'Waiting for a free worker.'
    case 'running': return s.asked ? 'It stops at the end of this request.' : s.hashedBytes > 0 ? `Hashing the image, ${size(s.hashedBytes)} of ${size(s.size)}.` : `Reading, ${s.pass} pass.`
    case 'paused': return s.trouble ?? 'Paused; what was read is kept.'
    case 'failed': return `${s.trouble ?? 'It ended.'} What was read is kept; resume when that is mended.`
    default: return s.failedBytes ? `Done. ${count(s.failedBytes)} bytes in ${s.failedPlaces} places did not read.` : 'Done. Every byte was read.'
  }
}

export function leftWords(s: ImagingView): string {
  if (s.state === 'done') return duration(s.runningMillis / 1000)
  return s.state === 'running' ? duration(secondsLeft(s)) : '–'
}
