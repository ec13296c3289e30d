import type { LabRecord, PastGroup } from '@/api/types'
import { count, duration, words } from '@/ui/format/format'

export type Stay = LabRecord['past']['stages'][number]
export type Holding = LabRecord['past']['foretold'][number]

const DAY_SECONDS = 86_400

/** A month as the server writes it, so many months on. */
export function monthBeside(month: string, by: number): string {
  const [year = 0, of = 1] = month.split('-').map(Number)
  const all = year * 12 + of - 1 + by
  return `${Math.floor(all / 12)}-${String((all % 12) + 1).padStart(2, '0')}`
}

/** The months of a year up to now. */
export function lastYear(today: string): { from: string; to: string } {
  const to = today.slice(0, 7)
  return { from: monthBeside(to, -11), to }
}

export const isMonth = (text: unknown): text is string =>
  typeof text === 'string' && /^\d{4}-(0[1-9]|1[0-2])$/.test(text)

/** Of so few cases parts of a percent would say more than is known. */
const share = (part: number, all: number): string => `${Math.round((100 * part) / all)} %`

const GOOD = ['whole', 'partly', 'nothing'] as const

/** How often cases of a group ended well, or else how they ended; of few, only how many. */
export function groupWords(group: PastGroup): string {
  const of = (how: string) => group.how.find((h) => h.how === how)?.cases ?? 0
  const ways = GOOD.some((how) => of(how) > 0) ? GOOD : group.how.map((h) => h.how)
  const parts = ways.map((how) => `${group.few ? count(of(how)) : share(of(how), group.cases)} ${how}`)
  return group.few ? `${parts.join(', ')}; too few to say how often` : parts.join(', ')
}

/** @param none what those are called of which nothing is on record */
export const groupName = (of: string, none: string): string => (of ? words(of) : none)

/** As people say it of a wait: nobody waits by the minute for two days. */
export function days(n: number): string {
  if (n < 1 / 24) return duration(n * DAY_SECONDS)
  if (n < 2) return `${Math.round(n * 24)} h`
  return `${n < 10 ? Number(n.toFixed(1)) : count(Math.round(n))} days`
}

export function stayWords(stay: Stay): string {
  const n = `${count(stay.days.count)} ${stay.days.count === 1 ? 'case' : 'cases'}`
  return stay.few
    ? `middle ${days(stay.days.median)} of ${n}, too few to say more`
    : `middle ${days(stay.days.median)}; half between ${days(stay.days.low)} and ${days(stay.days.high)}; ${n}`
}

/** Where a value stands on a scale on which each step is ten times the last; what is below its start stands there. */
export function onScale(value: number, low: number, high: number): number {
  if (!(value > low)) return 0
  return Math.min(1, Math.log(value / low) / Math.log(high / low))
}

/** Marks of a scale of days. */
export const DAY_MARKS: readonly { days: number; label: string }[] = [
  { days: 1 / 24, label: '1 h' },
  { days: 0.25, label: '6 h' },
  { days: 1, label: '1 day' },
  { days: 7, label: '1 week' },
  { days: 30, label: '1 month' },
  { days: 180, label: '½ year' },
]

/** A scale that holds all stays. */
export function dayScale(values: readonly number[]): { low: number; high: number } {
  const high = Math.max(30, ...values)
  return { low: 1 / 24, high }
}

export function holdingWords(h: Holding): string {
  const n = `Of ${count(h.compared)} compared `
  const said = `${n}${count(h.within)} took as long as was foretold, ${count(h.sooner)} less, ${count(h.later)} more`
  return h.few ? `${said}; too few to say how well it holds.` : `${said}: it held in ${share(h.within, h.compared)}.`
}

/** Where cases wait: the stage with the largest share of all their time. */
export function longestWords(stages: readonly Stay[]): string {
  const most = [...stages].sort((a, b) => b.share - a.share)[0]
  if (!most || most.share === 0) return ''
  return `Of all the time that these cases took, ${share(most.share, 1)} went by in ${words(most.stage)}.`
}
