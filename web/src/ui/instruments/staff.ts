/** Geometry of the day staff: hours down a line, what has a time beside it, pushed apart where it would touch. */

export interface StaffMark {
  /** Where the time is. */
  y: number
  /** Where its label stands. */
  label: number
}

export const HOUR = 42.4
const APART = 36

/** Hours as a number, in the lab's zone. */
export function hourOf(iso: string, zone: string): number {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    hour: 'numeric',
    minute: 'numeric',
    hourCycle: 'h23',
  }).formatToParts(new Date(iso))
  const part = (type: string) => Number(parts.find((p) => p.type === type)?.value ?? 0)
  return part('hour') + part('minute') / 60
}

/** The hours that are drawn: working hours, and whatever else has something in it. */
export function span(hours: readonly number[]): { first: number; last: number } {
  return { first: Math.floor(Math.min(8, ...hours)), last: Math.ceil(Math.max(18, ...hours)) }
}

/** @param hours in their order */
export function marks(hours: readonly number[], first: number, last: number): StaffMark[] {
  let edge = -Infinity
  const placed = hours.map((h) => {
    const y = (h - first) * HOUR
    const label = Math.max(y, edge + APART)
    edge = label
    return { y, label }
  })
  // What was pushed past the end comes back up as far as there is room.
  let floor = (last - first) * HOUR + 8
  for (let i = placed.length - 1; i >= 0; i--) {
    const mark = placed[i]!
    mark.label = Math.min(mark.label, floor)
    floor = mark.label - APART
  }
  return placed
}
