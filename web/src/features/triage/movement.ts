import type { Movement } from '@/api/types'

/**
 * Whether a decision that was right before may no longer be: another lead, a path barred or opened, a new stop rule.
 */
export function isFar(movement: Movement | undefined): boolean {
  return (
    movement !== undefined &&
    (movement.ledBefore !== movement.leadsNow ||
      movement.newStops.length > 0 ||
      movement.moves.some((m) => m.barredBefore !== m.barredNow))
  )
}
