import { describe, expect, it } from 'vitest'
import { notchesFor, tallyWords } from './tally'

const parts = (whole: number, gapped: number, may: number, missing: number) => ({ whole, gapped, may, missing })

describe('the wanted tally', () => {
  it('has one notch a file while there is room', () => {
    expect(notchesFor(parts(3, 1, 1, 2))).toEqual({
      worth: 1,
      notches: ['whole', 'whole', 'whole', 'gapped', 'may', 'missing', 'missing'],
    })
  })
  it('never hides a kind of result behind rounding', () => {
    const { worth, notches } = notchesFor(parts(500, 1, 1, 1))
    expect(worth).toBe(14)
    expect(notches).toContain('gapped')
    expect(notches).toContain('may')
    expect(notches).toContain('missing')
  })
  it('stays within its room, whatever there is', () => {
    for (const n of [0, 1, 7, 21, 22, 23, 48, 400, 100_000])
      expect(notchesFor(parts(n, 3, n, 40), 22).notches.length).toBeLessThanOrEqual(22)
  })
  it('leaves out what there is none of', () => {
    expect(tallyWords(parts(4, 0, 0, 0))).toBe('4 whole')
    expect(tallyWords(parts(4, 1, 3, 2))).toBe('4 whole · 1 with gaps or in doubt · 3 may fit · 2 missing')
  })
})
