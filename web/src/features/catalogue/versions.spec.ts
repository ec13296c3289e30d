import { describe, expect, it } from 'vitest'
import { differenceWords, stateWords, stretches, whenWords } from './versions'

describe('versions of one place', () => {
  it('say how they stand apart', () => {
    expect(stateWords({ origins: ['carved', 'live'], sessions: [3], stands: undefined })).toBe(
      'carved, live; session 3',
    )
    expect(stateWords({ origins: ['live'], sessions: [3, 4], stands: { folder: '', name: 'a', trashed: true } })).toBe(
      'in the trash; sessions 3, 4',
    )
    expect(whenWords({ modified: undefined })).toBe('no time kept')
  })
  it('say where they differ, and what nobody knows', () => {
    const same = { compared: 3000, differing: 0, unread: 0, beyond: 0, slots: [] }
    expect(differenceWords(same)).toBe('all 3,000 bytes that were read of both are the same.')
    expect(differenceWords({ ...same, differing: 2, unread: 512 })).toBe(
      '2 of 3,000 bytes differ; 512 not known, for they were never read.',
    )
    expect(differenceWords({ ...same, compared: 0, unread: 9 })).toContain('no byte was read of both')
  })
  it('are drawn in stretches', () => {
    expect(stretches(['same', 'different', 'different', 'unread'])).toEqual([
      { as: 'different', from: 0.25, to: 0.75 },
      { as: 'unread', from: 0.75, to: 1 },
    ])
  })
})
