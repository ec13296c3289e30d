import { describe, expect, it } from 'vitest'
import type { WantedState } from '@/api/types'
import { chosenWords, confirmedWords, foundWords, hopedWords, openLines, partsOf } from './steps'

const state = (
  hopedFor: number,
  found: [number, number, number],
  chosen = 0,
  delivered: [number, number] = [0, 0],
): WantedState => ({
  line: {
    id: 1,
    words: 'otters',
    kinds: ['image'],
    pattern: '',
    hopedFor,
    minBytes: 0,
    yearAssumed: false,
    mustHave: true,
  },
  tally: {
    lineId: 1,
    hopedFor,
    found: { whole: found[0], partly: found[1], mayFit: found[2] },
    chosen,
    delivered: { whole: delivered[0], partly: delivered[1] },
  },
  missing: 0,
  searched: true,
  complete: false,
})

it('is not called missing where nothing was searched', () => {
  const never = { ...state(24, [0, 0, 0]), searched: false }
  expect(foundWords(never)).toBe('not searched')
  expect(partsOf(never).missing).toBe(0)
  expect(partsOf(state(24, [0, 0, 0])).missing).toBe(24)
})

describe('how a wanted line stands', () => {
  it('never counts what may fit as fitting', () => {
    const s = state(40, [0, 0, 48])
    expect(foundWords(s)).toBe('0 fit, 48 may fit')
    expect(partsOf(s)).toEqual({ whole: 0, gapped: 0, may: 48, missing: 0 })
    expect(hopedWords(s)).toBe('hoped for 40')
  })
  it('says what is chosen and delivered, each for itself', () => {
    expect(chosenWords(state(6, [6, 0, 0], 3, [2, 1]))).toBe('3 chosen, 2 delivered whole, 1 with gaps or in doubt')
    expect(chosenWords(state(6, [6, 0, 0]))).toBe('0 chosen, 0 delivered')
  })
  it('names the must-have lines of which too little is chosen', () => {
    expect(openLines([state(40, [0, 0, 48]), state(0, [2, 1, 0], 3)])).toEqual([
      'W1: 0 fit, 48 may fit, 0 chosen of 40 hoped for',
    ])
    expect(openLines([state(0, [0, 0, 0])])).toEqual(['W1: 0 fit, 0 chosen'])
  })
  it('says who confirmed', () => {
    const s = state(2, [2, 0, 0])
    expect(confirmedWords(s)).toBe('')
    expect(confirmedWords({ ...s, tally: { ...s.tally, confirmed: { theirs: 2, who: 'Una Reid', at: '' } } })).toBe(
      '2 are theirs, says Una Reid',
    )
  })
})
