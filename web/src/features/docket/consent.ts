import type { Docket } from '@/api/types'

const STEPS = ['names', 'previews', 'contents']

/** What goes further than a consent; not asked yet, the lab sees names. */
export function widerThan(look: string): string[] {
  return STEPS.slice(Math.max(0, STEPS.indexOf(look)) + 1)
}

/** What may be looked at, as a person says it. */
export function lookWords(look: string): string {
  return look === 'names' ? 'file names only' : look
}

const LOOK: Record<string, string> = {
  names: 'the lab may look at names only',
  previews: 'the lab may look at previews',
  contents: 'the lab may look into files where the work needs it',
}

/** What a customer agreed to, in words; what was not asked is said too. */
export function agreedTo(consent: Docket['consent']): string[] {
  return [
    LOOK[consent.look] ?? 'what may be looked at was not asked',
    consent.told ? `may be told: ${consent.told}` : 'nobody else is told',
    consent.mail ? 'e-mail is welcome' : 'no e-mail',
    consent.termsRead ? 'terms were read out' : 'terms were not read out yet',
  ]
}
