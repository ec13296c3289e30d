import type { components } from '@/api/schema'
import { count } from '@/ui/format/format'

export type How = components['schemas']['SelectionApplied']['how']
export type SelectionChange = components['schemas']['SelectionChange']

/** What a kept selection can do to what is chosen. */
export const HOWS: readonly (readonly [How, string])[] = [
  ['add', 'add'],
  ['subtract', 'take away'],
  ['only', 'only these'],
]

/** What a change did: `12 more, 3 fewer,`. */
export function effect(change: { chosen: number; givenUp: number }): string {
  return [
    ...(change.chosen ? [`${count(change.chosen)} more,`] : []),
    ...(change.givenUp ? [`${count(change.givenUp)} fewer,`] : []),
  ].join(' ')
}
