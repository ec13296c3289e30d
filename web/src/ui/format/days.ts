const DAY_MS = 86_400_000

/** A day from now, as a date field has it. */
export function daysFromNow(days: number, now = Date.now()): string {
  return new Date(now + days * DAY_MS).toISOString().slice(0, 10)
}
