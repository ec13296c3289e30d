import { describe, expect, it } from 'vitest'
import type { CopySearch } from '@/api/types'
import { coverWords, foundWords, holds, type Looked, placeWords, uncovered } from './copies'

const place = (of: Partial<Looked['finding']>, called = ''): Looked => ({
  place: 'backup',
  called,
  afterLoss: false,
  finding: { result: 'found', lookedBy: 'Hilda', opened: '', covers: [], words: '', ...of },
})
const search = (...covers: CopySearch['lines'][number]['cover'][]): CopySearch => ({
  places: [],
  lines: covers.map((cover, i) => ({ wantedId: i, words: `line ${i}`, mustHave: false, cover })),
})

describe('the search for a copy', () => {
  it('counts as covered only what somebody saw', () => {
    expect(coverWords(search('covered', 'said', 'uncovered'))).toBe('1 of 3 wanted lines are covered.')
    expect(uncovered(search('covered', 'said', 'uncovered')).map((l) => l.wantedId)).toEqual([1, 2])
    expect(coverWords(search('covered', 'covered'))).toBe('All 2 wanted lines are covered.')
    expect(coverWords(search('covered'))).toBe('The wanted line is covered.')
    expect(coverWords(search('uncovered'))).toBe('0 of 1 wanted line is covered.')
    expect(coverWords(search())).toContain('Nothing is on the wanted list')
  })
  it('says of a place what was found, and what nobody said', () => {
    expect(foundWords(place({ result: 'to-look' }))).toBe('nobody looked yet')
    expect(foundWords(place({ result: 'nothing' }))).toBe('nothing there, looked by Hilda')
    expect(foundWords(place({}))).toBe('found by Hilda · how new it is, nobody said · nothing of it opened')
    expect(foundWords(place({ newest: '2026-11-20', opened: 'a.jpg' }))).toMatch(/newest of .*Nov.* · opened: a.jpg/)
    expect(placeWords(place({}, 'at the office'))).toBe('Backup: at the office')
  })
  it('tells a copy that was seen from one that is only said to be there', () => {
    expect(holds(place({ covers: [1], opened: 'a.jpg' }), 1)).toBe('seen')
    expect(holds(place({ covers: [1] }), 1)).toBe('said')
    expect(holds(place({ covers: [1] }), 2)).toBeUndefined()
    expect(holds(place({ covers: [1], result: 'nothing' }), 1)).toBeUndefined()
  })
})
