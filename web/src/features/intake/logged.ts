import type { CaseForm } from '@/api/types'
import { capacity as capacityOf, words } from '@/ui/format/format'

/** What was logged, in a sentence. */
export function loggedWords(number: string, form: CaseForm): string {
  const [lead, ...more] = form.devices
  const capacity = lead?.capacity
    ? ` of ${/^\d+$/.test(lead.capacity) ? capacityOf(Number(lead.capacity)) : lead.capacity}`
    : ''
  const device = lead ? `${words(lead.type)}${capacity}${more.length ? ` and ${more.length} more` : ''}` : ''
  const parts = [
    device,
    `${form.facts.length} ${form.facts.length === 1 ? 'fact' : 'facts'}`,
    `${form.wanted.length} wanted ${form.wanted.length === 1 ? 'line' : 'lines'}`,
  ]
  return `${number} was logged for ${form.customer.name}: ${parts.filter(Boolean).join(', ')}. P prints its labels.`
}

const IDS: [RegExp, string][] = [
  [/^customer\.name/, 'customer'],
  [/^customer\.ways/, 'phone'],
  [/^contactPerson/, 'contact'],
  [/^devices.*capacity/, 'capacity'],
  [/^story/, 'story'],
]

/** The element that a refused field is entered in; undefined where it has none of its own. */
export const fieldId = (field: string | undefined): string | undefined =>
  field && IDS.find(([pattern]) => pattern.test(field))?.[1]
