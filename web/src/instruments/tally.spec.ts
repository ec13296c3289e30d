import { describe, expect, it } from 'vitest'
import { notchesFor, tallyWords } from './tally'

describe('the wanted tally', () => {
  it('has one notch a file while there is room', () => {
    expect(notchesFor(3, 1, 2)).toEqual({ worth: 1, notches: ['whole', 'whole', 'whole', 'gapped', 'missing', 'missing'] })
  })
  it('never hides a kind of result behind rounding', () => {
    const { worth, notches } = notchesFor(500, 1, 1)
    expect(worth).toBe(13)
    expect(notches).toContain('gapped')
    expect(notches).toContain('missing')
    expect(notches.length).toBeLessThan(45)
  })
  it('leaves out what there is none of', () => {
    expect(tallyWords(4, 0, 0)).toBe('4 whole')
    expect(tallyWords(4, 1, 2)).toBe('4 whole · 1 with gaps or in doubt · 2 missing')
  })
})
