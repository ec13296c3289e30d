import type { PartnerState } from '@/api/types'
import { day } from '@/ui/format/format'

export type Job = PartnerState['jobs'][number]

/** An amount of hundredths, as it is written. */
export function amount(hundredths: number, currency: string): string {
  const whole = Math.trunc(hundredths / 100)
  return `${currency} ${whole}.${String(hundredths % 100).padStart(2, '0')}`
}

/** Hundredths of an amount as a person typed it; nothing for what is none. Nothing is rounded. */
export function hundredths(typed: string): number | undefined {
  const m = /^\s*(\d{1,8})(?:[.,](\d{1,2}))?\s*$/.exec(typed)
  return m ? Number(m[1]) * 100 + Number((m[2] ?? '').padEnd(2, '0')) : undefined
}

/** What the device waits for, in a sentence. */
export function waitsFor(job: Job): string {
  switch (job.step) {
    case 'sent':
      return `${job.partner} is to quote by ${day(job.expected)}.`
    case 'quoted':
      return 'The customer is to say whether it is done at that price.'
    case 'approved':
      return `${job.partner} works on it; it is to be back by ${day(job.expected)}.`
    case 'refused':
      return `It is to come back as it is, by ${day(job.expected)}.`
    case 'back':
      return job.toCheck
        ? 'It is back. Check it on the bench before anything else is done with it.'
        : 'It is back, and was checked on the bench since.'
  }
}

/** What is noted next of a job; nothing once it is back. */
export function nextStep(job: Job): 'quote' | 'answer' | 'back' | undefined {
  switch (job.step) {
    case 'sent':
      return 'quote'
    case 'quoted':
      return 'answer'
    case 'back':
      return undefined
    default:
      return 'back'
  }
}
