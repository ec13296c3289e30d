import type { CatalogueLine } from '@/api/types'
import { folded, type Pictured } from './alike'

/** Pictures of one hour that were made with one device, in the order that they were taken. */
export interface SheetHour {
  hour: number
  /** The first of its hour, which says so. */
  begins: boolean
  /** What they were made with, as they say; empty where none says, and where it is the same as in the block before. */
  with: string
  lines: Pictured[]
}

export interface SheetDay {
  /** `2026-05-04`; empty for what nothing says the day of. */
  day: string
  hours: SheetHour[]
  count: number
  /** Days without a picture before this one. */
  blank: number
}

/** As much of a day as is drawn at once. */
export interface SheetPart extends SheetDay {
  key: string
  /** What stands before it is of the same day. */
  goesOn: boolean
}

const DAY_MS = 86_400_000
const PART = 60

/**
 * A contact sheet: days one below the other, pictures by the hour and device, days without any kept as blank paper.
 * @param spread pictures that lie on others which are shown beside them all the same; `all` where nothing is folded
 */
export function daysOf(lines: readonly CatalogueLine[], spread: ReadonlySet<number> | 'all' = 'all'): SheetDay[] {
  const days: SheetDay[] = []
  for (const [index, line] of lines.entries()) {
    const day = line.made?.slice(0, 10) ?? ''
    let at = days.at(-1)
    if (at?.day !== day) {
      at = { day, hours: [], count: 0, blank: blankBetween(at?.day, day) }
      days.push(at)
    }
    hang(at, { line, index, like: [] })
    at.count++
  }
  for (const day of days) {
    let before = ''
    for (const block of day.hours) {
      if (spread !== 'all')
        block.lines = folded(block.lines).flatMap((p) => (spread.has(p.line.id) ? [p, ...p.like] : p))
      const made = block.with
      block.with = made === before ? '' : made
      before = made
    }
  }
  return days
}

function hang(day: SheetDay, picture: Pictured): void {
  const { made, about } = picture.line
  const hour = made ? Number(made.slice(11, 13)) : -1
  const device = about.device ?? ''
  const begins = day.hours.at(-1)?.hour !== hour
  let block = begins ? undefined : day.hours.find((h) => h.hour === hour && h.with === device)
  if (!block) {
    block = { hour, begins, with: device, lines: [] }
    day.hours.push(block)
  }
  block.lines.push(picture)
}

/** Days in parts that are drawn at once: of many pictures only those that are looked at are there. */
export function partsOf(days: readonly SheetDay[]): SheetPart[] {
  return days.flatMap((day) => {
    const parts: SheetPart[] = []
    let room = 0
    for (const block of day.hours) {
      for (let from = 0; from < block.lines.length;) {
        let part = parts.at(-1)
        if (!part || room <= 0) {
          part = {
            ...day,
            key: `${day.day}/${parts.length}`,
            hours: [],
            goesOn: parts.length > 0,
            blank: parts.length ? 0 : day.blank,
          }
          parts.push(part)
          room = PART
        }
        const some = block.lines.slice(from, from + room)
        part.hours.push({ ...block, lines: some, begins: block.begins && from === 0, with: from ? '' : block.with })
        from += some.length
        room -= some.length
      }
    }
    return parts
  })
}

/** All pictures that hang, in order. */
export function hanging(parts: readonly SheetPart[]): Pictured[] {
  return parts.flatMap((p) => p.hours.flatMap((h) => h.lines))
}

/** Where a picture can be seen: by itself, or as the one that it lies beneath; the first where it is not there. */
export function seenAs(pictures: readonly Pictured[], at: number): number {
  const seen = pictures.find((p) => p.index === at) ?? pictures.find((p) => p.like.some((l) => l.index === at))
  return (seen ?? pictures[0])?.index ?? at
}

/** Points that a part likely takes, for pictures of one edge and a width of paper. */
export function roomOf(part: SheetPart, edge: number, width: number): number {
  const across = Math.max(1, Math.floor((width - 150) / (edge + 6)))
  const pictures = part.hours.reduce((sum, h) => sum + h.lines.length, 0)
  return Math.ceil(pictures / across) * (edge + 30) + 30 + (part.blank ? 6 * blankLines(part.blank) + 14 : 0)
}

/** The picture so many places on from one, in the order that they hang in; the same at either end. */
export function steppedFrom(order: readonly number[], at: number, by: number): number {
  const place = Math.max(0, order.indexOf(at))
  return order[Math.max(0, Math.min(order.length - 1, place + by))] ?? at
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

/** What hangs between two pictures, both among them. */
export function between(order: readonly number[], a: number, b: number): number[] {
  const [from, to] = [order.indexOf(a), order.indexOf(b)].sort((x, y) => x - y)
  return order.slice(from, to! + 1)
}
