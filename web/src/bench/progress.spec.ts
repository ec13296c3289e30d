import { describe, expect, it } from 'vitest'
import type { ImagingView } from '@/api/types'
import { leftWords, secondsLeft, stateWords } from './progress'

const session = (part: Partial<ImagingView>) =>
  ({ state: 'running', size: 1000, readBytes: 400, failedBytes: 100, failedPlaces: 2, rate: 50, pass: 'sweep', hashedBytes: 0, runningMillis: 90_000, ...part }) as ImagingView

describe('a session', () => {
  it('says how long it still takes at its present rate', () => {
    expect(secondsLeft(session({}))).toBe(10)
    expect(secondsLeft(session({ rate: 0 }))).toBe(Infinity)
    expect(secondsLeft(session({ rate: 0, readBytes: 900 }))).toBe(0)
  })
  it('says how long it took once it is done', () => {
    expect(leftWords(session({ state: 'done' }))).toBe('2 min')
    expect(leftWords(session({ state: 'paused' }))).toBe('–')
  })
  it('never hides what did not read', () => {
    expect(stateWords(session({ state: 'done' }))).toContain('100 bytes in 2 places did not read')
    expect(stateWords(session({ state: 'done', failedBytes: 0 }))).toBe('Done. Every byte was read.')
  })
  it('says what to do after trouble', () => {
    expect(stateWords(session({ state: 'failed', trouble: 'The disk is full.' }))).toBe('The disk is full. What was read is kept; resume when that is mended.')
  })
})
