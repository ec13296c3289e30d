import type { CaseSummary } from '@/api/types'

/** Something that `Ctrl K` can lead to. */
export interface Goal {
  label: string
  hint: string
  to: string
}

const ACTIONS: Goal[] = [
  { label: 'New intake', hint: 'action', to: '/intake' },
  { label: 'Desk', hint: 'room', to: '/desk' },
  { label: 'Bench', hint: 'room', to: '/bench' },
  { label: 'Handover', hint: 'room', to: '/handover' },
  { label: 'Ledger', hint: 'room', to: '/ledger' },
]

/** Every word must be somewhere; cases before actions. */
export function goalsFor(text: string, cases: readonly CaseSummary[]): Goal[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  const goals = [
    ...cases.map((c): Goal & { text: string } => ({
      label: `${c.number} ${c.customer}`,
      hint: `${c.device.make} ${c.device.model} ${c.device.serial}`.trim(),
      to: `/cases/${c.number}`,
      text: `${c.number} ${c.customer} ${c.contactPerson} ${c.device.make} ${c.device.model} ${c.device.serial}`.toLowerCase(),
    })),
    ...ACTIONS.map((a) => ({ ...a, text: a.label.toLowerCase() })),
  ]
  return goals.filter((g) => words.every((w) => g.text.includes(w))).slice(0, 8)
}
