import type { BenchView, EndedCase, LateCase, OpenMoney } from '@/api/types'
import { count, day, duration, words } from '@/ui/format/format'
import { HOW } from '@/ui/instruments/endings'

const DAY = 86_400_000

/** Another day, as the server writes them. */
export function dayBeside(on: string, days: number): string {
  return new Date(Date.parse(`${on}T12:00:00Z`) + days * DAY).toISOString().slice(0, 10)
}

/** Why a case is late, and for how long. */
export function lateWords(late: LateCase, now: number): string {
  const whys = [
    late.clock ? `the clock of ${words(late.of.stage)} ran out` : '',
    late.needed && late.of.deadline ? `files were needed by ${day(`${late.of.deadline}T12:00:00Z`)}` : '',
  ].filter(Boolean)
  return `${whys.join('; ')}, ${duration((now - Date.parse(late.since)) / 1000)} late`
}

/** What stands at a station. */
export type Place = 'reading' | 'attached' | 'free'

/** The places of the bench in the order in which they fill; media that are not offered are no places. */
export function places(bench: Pick<BenchView, 'stations'>): Place[] {
  const order: Place[] = ['reading', 'attached', 'free']
  return bench.stations
    .filter((s) => !s.medium.blocked)
    .map((s): Place => (s.state === 'running' ? 'reading' : s.caseNumber ? 'attached' : 'free'))
    .sort((a, b) => order.indexOf(a) - order.indexOf(b))
}

const of = (all: readonly Place[], one: Place) => all.filter((p) => p === one).length
const are = (n: number) => (n === 1 || n === 0 ? 'is' : 'are')
const some = (n: number) => (n === 0 ? 'none' : count(n))
const does = (n: number) => (are(n) === 'is' ? 's' : '')

export function benchWords(all: readonly Place[]): string {
  if (!all.length) return 'No medium is there.'
  const [reading, attached, free] = [of(all, 'reading'), of(all, 'attached'), of(all, 'free')]
  return (
    `Of ${count(all.length)} media ${some(reading)} ${are(reading)} being read, ` +
    `${some(attached)} stand${does(attached)} attached and wait${does(attached)}, ` +
    `${some(free)} ${are(free)} free.`
  )
}

/** The cases that wait for their device, and for how long the first of them has. */
export function waitingWords(waiting: BenchView['waiting'], now: number): string {
  const first = waiting.cases[0]
  if (!first) return 'No decided case waits for its device.'
  const since = duration((now - Date.parse(first.stageSince)) / 1000)
  return waiting.total === 1
    ? `One decided case has waited for its device for ${since}.`
    : `${count(waiting.total)} decided cases wait for their device, the first of them for ${since}.`
}

/** A band of money, without pence that nobody promised. */
export function band(currency: string, low: number, high: number): string {
  const [from, to] = [count(Math.round(low)), count(Math.round(high))]
  return from === to ? `${currency}${from}` : `${currency}${from}–${to}`
}

export function moneySum(money: OpenMoney): { cases: number; low: number; high: number } {
  return money.stages.reduce(
    (sum, s) => ({ cases: sum.cases + s.cases, low: sum.low + s.low, high: sum.high + s.high }),
    {
      cases: 0,
      low: 0,
      high: 0,
    },
  )
}

/** What is said when not every open case was looked at; nothing when all were. */
export function openLacks(open: { looked: number; all: number }): string {
  return open.looked === open.all
    ? ''
    : `There are ${count(open.all)} open cases; what is late and what is open in money is of the ` +
        `newest ${count(open.looked)}.`
}

/** What the sum does not hold. */
export function moneyLacks(money: OpenMoney): string {
  return [
    money.undecided ? `${count(money.undecided)} without a decided path ${are(money.undecided)} not in it.` : '',
    money.unsized
      ? `Of ${count(money.unsized)} nobody knows the capacity, so what large devices cost more is not in it.`
      : '',
    'What was agreed, billed and paid is on no record yet.',
  ]
    .filter(Boolean)
    .join(' ')
}

/** How many ended in which way, the best first; ways that none took are left out. */
export function endings(ended: readonly EndedCase[]): { how: EndedCase['how']; cases: number }[] {
  return (Object.keys(HOW) as EndedCase['how'][])
    .map((how) => ({ how, cases: ended.filter((e) => e.how === how).length }))
    .filter((e) => e.cases > 0)
}
