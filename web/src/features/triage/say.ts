import type { Vocabulary } from '@/api/types'
import { words } from '@/ui/format/format'

/** Facts as people say them; their codes stand in tooltips and exports. */

const HOURS_OF_TWO_DAYS = 48

/** `clicks`, `backup: none`, `3 days ago`, `noise: not known`. */
export function sayFact(vocabulary: Vocabulary | undefined, code: string, value: string): string {
  const fact = vocabulary?.facts.find((f) => f.code === code)
  const label = fact?.label ?? words(code.split('.').at(-1) ?? code)
  if (value === 'unknown') return `${label}: not known`
  if (fact?.number && /^\d+$/.test(value)) return agoWords(Number(value))
  return fact?.words[value] ?? `${label}: ${words(value)}`
}

/** The same of `code=value`; what is no fact is left as it is. */
export function sayStated(vocabulary: Vocabulary | undefined, stated: string): string {
  const at = stated.indexOf('=')
  return at < 0 ? stated : sayFact(vocabulary, stated.slice(0, at), stated.slice(at + 1))
}

/** How long ago something was. */
export function agoWords(hours: number): string {
  if (hours === 1) return '1 hour ago'
  return hours < HOURS_OF_TWO_DAYS ? `${hours} hours ago` : `${Math.floor(hours / 24)} days ago`
}
