import type { CatalogueLine } from '@/api/types'

/** Pictures of one hour, in the order that they were taken. */
export interface SheetHour {
  hour: number
  /** What they were made with, as they say; empty where none says, and where it is the same as in the hour before. */
  with: string
  lines: { line: CatalogueLine; index: number }[]
}

export interface SheetDay {
  /** `2026-05-04`; empty for what nothing says the day of. */
  day: string
  hours: SheetHour[]
  count: number
  /** Days without a picture before this one. */
  blank: number
}

const DAY_MS = 86_400_000

/** A contact sheet: days one below the other, pictures by the hour, days without any kept as blank paper. */
export function daysOf(lines: readonly CatalogueLine[]): SheetDay[] {
  const days: SheetDay[] = []
  for (const [index, line] of lines.entries()) {
    const day = line.made?.slice(0, 10) ?? ''
    const hour = line.made ? Number(line.made.slice(11, 13)) : -1
    let at = days.at(-1)
    if (at?.day !== day) {
      at = { day, hours: [], count: 0, blank: blankBetween(at?.day, day) }
      days.push(at)
    }
    let block = at.hours.at(-1)
    if (block?.hour !== hour) {
      block = { hour, with: '', lines: [] }
      at.hours.push(block)
    }
    block.lines.push({ line, index })
    at.count++
  }
  for (const day of days) {
    let before = ''
    for (const hour of day.hours) {
      const made = madeWith(hour)
      hour.with = made === before ? '' : made
      before = made
    }
  }
  return days
}

/** `Nordlys 5`, or how many devices there were. */
function madeWith(hour: SheetHour): string {
  const devices = new Set(hour.lines.map((l) => l.line.about.device).filter(Boolean))
  return devices.size > 1 ? `${devices.size} devices` : ([...devices][0] ?? '')
}

/** Days between two that have pictures; none where either is not known. */
function blankBetween(before: string | undefined, after: string): number {
  if (!before || !after) return 0
  return Math.max(0, Math.round((Date.parse(after) - Date.parse(before)) / DAY_MS) - 1)
}

/** `Mon 4 May 2026`. */
export function dayWords(day: string): string {
  if (!day) return 'day not kept'
  return new Date(`${day}T12:00:00Z`).toLocaleDateString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  })
}

export function blankWords(days: number): string {
  return days === 1 ? 'one day without pictures' : `${days.toLocaleString('en')} days without pictures`
}

/** How many ruled lines of blank paper stand for so many days. */
export function blankLines(days: number): number {
  return Math.min(7, days)
}

export const SIZES = [72, 112, 168, 240] as const

/** The next size up or down; the same at either end. */
export function resized(size: number, by: number): number {
  const at = SIZES.findIndex((s) => s >= size)
  return SIZES[Math.max(0, Math.min(SIZES.length - 1, (at < 0 ? SIZES.length - 1 : at) + by))]!
}

/** What lies between two pictures, both among them. */
export function between(a: number, b: number): number[] {
  const [from, to] = a < b ? [a, b] : [b, a]
  return Array.from({ length: to - from + 1 }, (_, i) => from + i)
}
