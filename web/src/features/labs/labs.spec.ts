import { describe, expect, it } from 'vitest'
import type { Arrival, ArrivalSays, Packing } from '@/api/types'
import { arrivalWords, brought, isNews, meaning, packingWords } from './labs'

const says = (fresh: number, here?: string): ArrivalSays =>
  ({ here, brings: [{ what: 'facts', all: 7, fresh }] }) as unknown as ArrivalSays
const arrival = (more: Partial<Arrival>): Arrival => ({ state: 'looked-at', ...more }) as Arrival
const packing = (more: Partial<Packing>): Packing => ({ state: 'done', ...more }) as Packing

describe('what a file brings', () => {
  it('is counted in words', () => {
    expect(brought('entries', 1)).toBe('1 custody entry')
    expect(brought('entries', 1200)).toBe('1,200 custody entries')
    expect(brought('notes', 0)).toBe('0 notes and calls')
  })
  it('says what bringing it in comes to', () => {
    expect(meaning(says(7))).toContain('never here')
    expect(meaning(says(2, 'BR-2612-0003'))).toBe(
      'It is BR-2612-0003: what is new joins it, what is here stays as it is.',
    )
    expect(meaning(says(0, 'BR-2612-0003'))).toContain('nothing in the file is new')
    expect([isNews(says(0)), isNews(says(1))]).toEqual([false, true])
  })
})

describe('what became of a file', () => {
  it('is said with who decided', () => {
    expect(arrivalWords(arrival({}))).toBe('Looked at, not decided.')
    expect(arrivalWords(arrival({ state: 'brought-in', caseNumber: 'BR-1', decidedBy: 'Tom Ryle' }))).toBe(
      'Brought in as BR-1 by Tom Ryle.',
    )
    expect(arrivalWords(arrival({ state: 'put-aside', decidedBy: 'Tom Ryle' }))).toContain('nothing of it came in')
  })
})

describe('a packing', () => {
  it('says whether it left', () => {
    expect(packingWords(packing({ state: 'running' }))).toBe('It is being packed.')
    expect(packingWords(packing({}))).toContain('nobody has taken it out')
    expect(packingWords(packing({ takenAt: '2026-12-01T10:00:00Z' }))).toContain('taken out on')
    expect(packingWords(packing({ state: 'failed', trouble: 'The disk is full.' }))).toBe(
      'It could not be packed: The disk is full. Nothing of the case was changed.',
    )
  })
})
