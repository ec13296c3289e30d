import { describe, expect, it } from 'vitest'
import type { PastGroup } from '@/api/types'
import { pieces } from '@/ui/instruments/endings'
import {
  days,
  dayScale,
  groupName,
  groupWords,
  type Holding,
  holdingWords,
  isMonth,
  lastYear,
  longestWords,
  monthBeside,
  onScale,
  type Stay,
  stayWords,
} from './labRecord'

const stay = (stage: string, share: number, few = false): Stay => ({
  stage,
  share,
  few,
  days: { count: few ? 3 : 40, low: 0.5, median: 1, high: 3 },
})

describe('months', () => {
  it('go on over the end of a year, both ways', () => {
    expect(monthBeside('2026-12', 1)).toBe('2027-01')
    expect(monthBeside('2026-01', -1)).toBe('2025-12')
    expect(lastYear('2026-11-30T10:00:00Z')).toEqual({ from: '2025-12', to: '2026-11' })
  })
  it('are told from what is none', () => {
    expect(isMonth('2026-11')).toBe(true)
    for (const none of ['2026-13', '2026-1', 'May', undefined, ['2026-11']]) expect(isMonth(none)).toBe(false)
  })
})

describe('a group of cases', () => {
  const group = (cases: number, few: boolean): PastGroup => ({
    of: 'image-then-scan',
    cases,
    few,
    how: [
      { how: 'declined', cases: 1 },
      { how: 'whole', cases: cases - 1 },
    ],
  })
  it('says shares only where there are enough', () => {
    expect(groupWords(group(20, false))).toBe('95 % whole, 0 % partly, 0 % nothing')
    expect(groupWords(group(3, true))).toBe('2 whole, 0 partly, 0 nothing; too few to say how often')
  })
  it('of which none came so far says how it ended', () => {
    const declined: PastGroup = { of: 'decline', cases: 20, few: false, how: [{ how: 'declined', cases: 20 }] }
    expect(groupWords(declined)).toBe('100 % declined')
  })
  it('of which nothing is on record says so', () => {
    expect(groupName('', 'no path decided')).toBe('no path decided')
    expect(groupName('image-then-scan', 'no path decided')).toBe('image then scan')
  })
  it('is drawn with the best first, each case as wide as another', () => {
    expect(pieces(group(3, true).how)).toEqual([
      { how: 'whole', from: 0, cases: 2 },
      { how: 'declined', from: 2, cases: 1 },
    ])
  })
})

describe('stays', () => {
  it('name the stage that took the most', () => {
    expect(longestWords([stay('received', 0.2), stay('selection', 0.8)])).toContain('80 % went by in selection')
    expect(longestWords([])).toBe('')
  })
  it('are said as one waits', () => {
    expect([0.01, 0.5, 1.9, 2.04, 9.96, 41.2].map(days)).toEqual([
      '14 min',
      '12 h',
      '46 h',
      '2 days',
      '10 days',
      '41 days',
    ])
  })
  it('of few say the middle alone', () => {
    expect(stayWords(stay('imaging', 1))).toContain('half between')
    expect(stayWords(stay('imaging', 1, true))).toContain('too few to say more')
  })
  it('stand on a scale that holds all of them', () => {
    const { low, high } = dayScale([2, 400])
    expect(onScale(400, low, high)).toBe(1)
    expect(onScale(0, low, high)).toBe(0)
    expect(onScale(Math.sqrt(low * high), low, high)).toBeCloseTo(0.5)
  })
})

it('estimates that are few are not said to hold', () => {
  const held: Holding = { work: 'imaging', compared: 20, sooner: 2, within: 15, later: 3, few: false, ratios: [] }
  expect(holdingWords(held)).toBe('Of 20 compared 15 took as long as was foretold, 2 less, 3 more: it held in 75 %.')
  expect(holdingWords({ ...held, compared: 3, within: 0, few: true })).toContain('too few to say')
})
