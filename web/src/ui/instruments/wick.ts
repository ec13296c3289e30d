import { day, duration, time } from '@/ui/format/format'

/** A clock that burns down: from when it began to when it runs out. */
export interface WickState {
  /** Share that is burnt, 0 to 1. */
  burnt: number
  level: 'calm' | 'warn' | 'over'
  words: string
}

const HOUR = 3_600_000
/** The last part of a clock, and the last hour of any, ask for attention. */
const WARN_SHARE = 0.85

export function wickOf(since: string, due: string, now: number): WickState {
  const from = Date.parse(since)
  const to = Date.parse(due)
  const left = to - now
  if (left < 0) return { burnt: 1, level: 'over', words: `${duration(-left / 1000)} over` }
  const burnt = to > from ? Math.min(1, Math.max(0, (now - from) / (to - from))) : 0
  const level = burnt >= WARN_SHARE || left < HOUR ? 'warn' : 'calm'
  if (left < 4 * HOUR) return { burnt, level, words: `${duration(left / 1000)} left` }
  const sameDay = day(due) === day(new Date(now).toISOString())
  return {
    burnt,
    level,
    words: sameDay ? `today ${time(due)}` : left < 6 * 24 * HOUR ? `${day(due)} ${time(due)}` : day(due),
  }
}
