import type { CaseBench } from '@/api/types'
import { percent, size } from '@/ui/format/format'

/** What an earlier session read of the device that is attached now. */
export type Earlier = NonNullable<CaseBench['earlier']>

/** Whether a new session can go on from it; one that did not end is resumed itself. */
export const canGoOn = (e: Earlier): boolean => e.state === 'done' && e.left + e.failed > 0

/** What going on does, as its button says it. */
export function goOnWords(e: Earlier): string {
  return e.left > 0 ? `Read on, ${size(e.left)} left` : `Ask again for the ${size(e.failed)} that failed`
}

export function resumeWords(e: Earlier): string {
  return `Resume session ${e.session}${e.left > 0 ? `, ${size(e.left)} left` : ''}`
}

/** What is there already, and what going on would do. */
export function earlierWords(e: Earlier): { bold: string; rest: string } {
  if (e.left + e.failed === 0) return { bold: `Session ${e.session} has read all of this device.`, rest: '' }
  const read = percent(e.size - e.left - e.failed, e.size)
  return {
    bold: `Session ${e.session} has read ${read} of this device;`,
    rest:
      e.left > 0
        ? `${size(e.left)} are left. Reading on keeps what is read and asks for nothing twice.`
        : `${size(e.failed)} failed. They are asked for again as far as the profile allows more tries than they had.`,
  }
}
