import type { FindGoal } from '@/api/types'

/** Where Ctrl K can lead besides cases. */
export const ACTIONS: readonly FindGoal[] = [
  { label: 'New intake', hint: 'action', to: '/intake', by: [], near: false },
  { label: 'Desk', hint: 'room', to: '/desk', by: [], near: false },
  { label: 'Bench', hint: 'room', to: '/bench', by: [], near: false },
  { label: 'Handover', hint: 'room', to: '/handover', by: [], near: false },
  { label: 'Ledger', hint: 'room', to: '/ledger', by: [], near: false },
  {
    label: 'The lab’s own record',
    hint: 'how cases ended, where they wait, estimates',
    to: '/lab-record',
    by: [],
    near: false,
  },
  { label: 'The day', hint: 'late, who did what, money, endings', to: '/day', by: [], near: false },
  { label: 'A case from another lab', hint: 'look at a file that a lab sent', to: '/arrivals', by: [], near: false },
  { label: 'Outbox', hint: 'messages to customers', to: '/outbox', by: [], near: false },
  { label: 'Settings: prices, clocks, letters, protocol', hint: 'settings', to: '/settings', by: [], near: false },
  { label: 'People', hint: 'accounts, who was let in', to: '/people', by: [], near: false },
  { label: 'Your sign-in', hint: 'password, codes, passkeys, sessions', to: '/own', by: [], near: false },
  { label: 'Overdue cases', hint: 'filter', to: '/desk?late=true', by: [], near: false },
]

const MOST = 8

/** What is offered: cases first, then actions whose every word is there. */
export function goalsFor(text: string, cases: readonly FindGoal[]): FindGoal[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  const actions = ACTIONS.filter((a) => words.every((w) => a.label.toLowerCase().includes(w)))
  // An action that is named outright comes before a case that was only nearly meant.
  const [sure, near] = [cases.filter((c) => !c.near), cases.filter((c) => c.near)]
  return [...sure, ...actions, ...near].slice(0, MOST)
}
