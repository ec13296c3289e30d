import { describe, expect, it } from 'vitest'
import type { ImagingView } from '@/api/types'
import { passRows, passWords } from './profiles'
import {
  inAll,
  inBadParts,
  leftWords,
  placesWords,
  spanWords,
  stateWords,
  sumWords,
  timeLeft,
  unlistedWords,
} from './progress'

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
    passes: [{ pass: 'sweep', requests: 9, readBytes: 400, faults: 0, millis: 20_000 }],
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
  it('counts places as people do', () => {
    expect(placesWords(1)).toBe('1 place')
    expect(placesWords(1200)).toBe('1,200 places')
  })
  it('accounts for every byte', () => {
    expect(sumWords(session({ size: 6_000_000, readBytes: 5_000_000, deferredBytes: 900_000 }))).toBe(
      '5,000,000 read + 900,000 deferred + 100 failed + 99,900 not asked for = 6,000,000 bytes',
    )
  })
  it('gives no estimate of bad parts', () => {
    const late = session({ pass: 'single-sector', faults: 9, deferredBytes: 500 })
    expect(inBadParts(late)).toBe(true)
    expect(leftWords(late)).toBe('no estimate')
    expect(inBadParts(session({ pass: 'sweep', faults: 9, deferredBytes: 500 }))).toBe(false)
  })
  it('takes its rate from what it read itself, not from what an earlier session had read', () => {
    const goesOn = session({ readBytes: 900, failedBytes: 0, rate: 0, runningMillis: 10_000 })
    expect(timeLeft({ ...goesOn, passes: [{ ...goesOn.passes[0]!, readBytes: 50 }] })!.low).toBe(20)
  })
  it('calls nothing read that only is not listed', () => {
    const report = (part: Partial<ImagingView>, wentOn?: number) => unlistedWords({ session: session(part), wentOn })
    expect(report({ readBytes: 1000 })).toBe('Nothing: every byte was read.')
    expect(report({ readBytes: 900 })).toContain('cannot be listed')
    expect(report({ id: 4, readBytes: 900 }, 7)).toContain('Session 7 went on in this image')
  })
  it('says what to do after trouble', () => {
    expect(stateWords(session({ state: 'failed', trouble: 'The disk is full.' }))).toBe(
      'The disk is full. What was read is kept; resume when that is mended.',
    )
    expect(stateWords(session({ resting: 'Quiet hours until 06:30.' }))).toBe('Quiet hours until 06:30.')
  })
  it('of files says what it copies and how long that takes, never what is left of the device', () => {
    const files = { reason: 'a dead machine', leftOut: [] }
    const records = session({ files, pass: 'files' })
    expect(stateWords(records)).toBe('Reading its records.')
    expect(inAll(records)).toBeUndefined()
    expect(timeLeft(records)).toBeUndefined()
    const copying = session({ files: { ...files, count: 3, inAll: 600 }, pass: 'files', failedBytes: 0 })
    expect(stateWords(copying)).toBe('Copying its files.')
    expect(timeLeft(copying)).toEqual({ low: 4, high: 12.5 })
    const files2 = { ...files, count: 3, inAll: 600, checked: 2 }
    expect(stateWords({ ...copying, files: files2, pass: 'check' })).toContain('from the copy: 2 of 3.')
    expect(stateWords({ ...copying, state: 'done' })).toBe(
      'Done. 3 files were copied and checked; 400 B of 1000 B were read.',
    )
    expect(stateWords({ ...copying, state: 'done', endedEarly: true })).toContain(
      'before every file was copied and found sound',
    )
  })
  it('of files has two passes, and no check once it was ended early', () => {
    const copy = session({ files: { reason: '', leftOut: [] }, pass: 'check', endedEarly: false })
    expect(passRows(copy).map((p) => [p.pass, p.state])).toEqual([
      ['files', 'done'],
      ['check', 'now'],
    ])
    const ended = passRows({ ...copy, state: 'done', endedEarly: true })
    expect(ended.map(passWords)[1]).toBe('never reached')
  })
})
