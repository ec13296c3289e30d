import type { WantedForm } from '@/api/types'

/** A line with what its words say, where nothing was entered by hand. */
export function filledFrom(line: WantedForm, found: WantedForm): WantedForm {
  return {
    ...line,
    kinds: line.kinds.length ? line.kinds : found.kinds,
    pattern: line.pattern || found.pattern,
    hopedFor: line.hopedFor || found.hopedFor,
    minBytes: line.minBytes || found.minBytes,
    changedFrom: line.changedFrom ?? found.changedFrom,
    changedTo: line.changedTo ?? found.changedTo,
    yearAssumed: line.changedFrom || line.changedTo ? line.yearAssumed : found.yearAssumed,
    mustHave: line.mustHave && found.mustHave,
  }
}

/** The same days of another year; who chooses it has said it. */
export function shiftedYear(line: WantedForm, by: number): WantedForm {
  const shift = (day: string | undefined) => (day ? shiftedDay(day, by) : day)
  return { ...line, changedFrom: shift(line.changedFrom), changedTo: shift(line.changedTo), yearAssumed: false }
}

function shiftedDay(day: string, by: number): string {
  const year = Number(day.slice(0, 4)) + by
  const rest = day.slice(4)
  const leap = (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0
  // The last of February is another day in another year.
  return `${year}${rest === '-02-29' && !leap ? '-02-28' : rest === '-02-28' && leap ? '-02-29' : rest}`
}

/** The year of a line whose year nobody said; undefined where it was said, or no time is asked for. */
export function assumedYear(line: WantedForm): string | undefined {
  return line.yearAssumed ? (line.changedFrom ?? line.changedTo)?.slice(0, 4) : undefined
}
