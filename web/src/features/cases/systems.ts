import type { components } from '@/api/schema'

export type OpensOn = components['schemas']['RecoveryLaying']['opensOn']

/** Systems that a customer may open files on. */
export const KNOWN_SYSTEMS: readonly (readonly [OpensOn, string])[] = [
  ['windows', 'Windows'],
  ['mac', 'macOS'],
  ['linux', 'Linux'],
]

/** The same, and any of them where nobody knows. */
export const SYSTEMS: readonly (readonly [OpensOn, string])[] = [['every', 'any system'], ...KNOWN_SYSTEMS]

/** @param opensOn absent when nobody said */
export function systemName(opensOn: OpensOn | undefined): string {
  return SYSTEMS.find(([s]) => s === opensOn)?.[1] ?? 'not known'
}
