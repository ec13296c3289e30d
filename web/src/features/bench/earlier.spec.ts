import { describe, expect, it } from 'vitest'
import { canGoOn, earlierWords, goOnWords, resumeWords, type Earlier } from './earlier'

const MIB = 1048576
const earlier = (part: Partial<Earlier>): Earlier => ({
  session: 3,
  state: 'done',
  left: 2 * MIB,
  failed: 0,
  size: 16 * MIB,
  ...part,
})

describe('what an earlier session read', () => {
  it('is gone on with where something is left', () => {
    expect(canGoOn(earlier({}))).toBe(true)
    expect(goOnWords(earlier({ failed: MIB }))).toBe('Read on, 2.00 MiB left')
    expect(earlierWords(earlier({})).bold).toBe('Session 3 has read 87.5 % of this device;')
  })
  it('promises nothing new where all that is missing failed', () => {
    const failed = earlier({ left: 0, failed: MIB })
    expect(canGoOn(failed)).toBe(true)
    expect(goOnWords(failed)).toBe('Ask again for the 1.00 MiB that failed')
    expect(earlierWords(failed).rest).toContain('more tries than they had')
  })
  it('cannot be gone on with where it has all, or has not ended', () => {
    expect(canGoOn(earlier({ left: 0 }))).toBe(false)
    expect(earlierWords(earlier({ left: 0 })).bold).toBe('Session 3 has read all of this device.')
    expect(canGoOn(earlier({ state: 'paused' }))).toBe(false)
    expect(resumeWords(earlier({ state: 'paused' }))).toBe('Resume session 3, 2.00 MiB left')
    expect(resumeWords(earlier({ state: 'failed', left: 0 }))).toBe('Resume session 3')
  })
})
