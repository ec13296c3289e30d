import { describe, expect, it } from 'vitest'
import type { ImagingView } from '@/api/types'
import { leftWords, spanWords, stateWords, timeLeft } from './progress'

const session = (part: Partial<ImagingView>) =>
  ({
    state: 'running',
    size: 1000,
    readBytes: 400,
    failedBytes: 100,
    deferredBytes: 0,
    failedPlaces: 2,
    faults: 0,
    rate: 50,
    pass: 'sweep',
    hashedBytes: 0,
    runningMillis: 20_000,
    passes: [],
    ...part,
  }) as unknown as ImagingView

describe('a session', () => {
  it('says how long it still takes as a range, from its rate now and its rate so far', () => {
    expect(timeLeft(session({}))).toEqual({ low: 10, high: 31.25 })
    expect(timeLeft(session({ rate: 0, runningMillis: 0 }))).toBeUndefined()
    expect(timeLeft(session({ rate: 0, readBytes: 900 }))).toEqual({ low: 0, high: 0 })
  })
  it('expects trouble where it was put off for trouble', () => {
    const without = timeLeft(session({ deferredBytes: 100 }))!
    const with_ = timeLeft(session({ deferredBytes: 100, faults: 3 }))!
    expect(with_.low).toBe(without.low)
    expect(with_.high).toBeGreaterThan(without.high)
  })
  it('says a range shortly', () => {
    expect(spanWords({ low: 10, high: 31 })).toBe('10–31 s')
    expect(spanWords({ low: 50, high: 130 })).toBe('50 s – 2 min')
    expect(spanWords({ low: 120, high: 125 })).toBe('2 min')
    expect(spanWords(undefined)).toBe('–')
  })
  it('says how long it took once it is done', () => {
    expect(leftWords(session({ state: 'done', runningMillis: 90_000 }))).toBe('2 min')
    expect(leftWords(session({ state: 'paused' }))).toBe('–')
    expect(leftWords(session({ resting: 'Quiet hours until 06:30.' }))).toBe('–')
  })
  it('never hides what did not read', () => {
    expect(stateWords(session({ state: 'done', readBytes: 900 }))).toContain('100 bytes in 2 places did not read')
    expect(stateWords(session({ state: 'done', readBytes: 1000, failedBytes: 0 }))).toBe('Done. Every byte was read.')
    expect(stateWords(session({ state: 'done', endedEarly: true }))).toBe(
      'Ended early by decision. 600 bytes were not read.',
    )
  })
  it('says what to do after trouble', () => {
    expect(stateWords(session({ state: 'failed', trouble: 'The disk is full.' }))).toBe(
      'The disk is full. What was read is kept; resume when that is mended.',
    )
    expect(stateWords(session({ resting: 'Quiet hours until 06:30.' }))).toBe('Quiet hours until 06:30.')
  })
})
