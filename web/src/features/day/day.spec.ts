import { describe, expect, it } from 'vitest'
import type { BenchView, EndedCase, LateCase, OpenMoney } from '@/api/types'
import {
  band,
  benchWords,
  dayBeside,
  endings,
  lateWords,
  moneyLacks,
  moneySum,
  openLacks,
  places,
  waitingWords,
} from './day'

const NOW = Date.parse('2026-11-28T12:00:00Z')

describe('the day', () => {
  it('has days beside it, over the ends of months', () => {
    expect(dayBeside('2026-12-01', -1)).toBe('2026-11-30')
    expect(dayBeside('2026-02-28', 1)).toBe('2026-03-01')
  })
  it('says why a case is late', () => {
    const late = { clock: true, needed: true, since: '2026-11-25T12:00:00Z' }
    expect(lateWords({ ...late, of: { stage: 'selection', deadline: '2026-11-24' } } as LateCase, NOW)).toBe(
      'the clock of selection ran out; files were needed by Tue 24 Nov, 3 days late',
    )
    expect(lateWords({ ...late, needed: false, of: { stage: 'imaging' } } as LateCase, NOW)).toBe(
      'the clock of imaging ran out, 3 days late',
    )
  })
})

describe('the bench', () => {
  const station = (caseNumber?: string, state?: string, blocked?: string) => ({
    medium: { blocked },
    caseNumber,
    state,
  })
  it('fills from what is being read to what is free', () => {
    const bench = {
      stations: [
        station(),
        station('BR-1', 'running'),
        station('BR-2'),
        station('BR-3', 'paused'),
        station('', '', 'in use'),
      ],
    } as unknown as BenchView
    const all = places(bench)
    expect(all).toEqual(['reading', 'attached', 'attached', 'free'])
    expect(benchWords(all)).toBe('Of 4 media 1 is being read, 2 stand attached and wait, 1 is free.')
    expect(benchWords(['attached'])).toBe('Of 1 media none is being read, 1 stands attached and waits, none is free.')
    expect(benchWords([])).toBe('No medium is there.')
  })
  it('says for how long the first case has waited', () => {
    const first = { stageSince: '2026-11-28T06:00:00Z' }
    const waiting = (total: number) => ({ cases: [first], total }) as unknown as BenchView['waiting']
    expect(waitingWords(waiting(1), NOW)).toBe('One decided case has waited for its device for 6 h.')
    expect(waitingWords(waiting(9), NOW)).toContain('9 decided cases wait for their device, the first of them for 6 h')
    expect(waitingWords({ cases: [], total: 0 }, NOW)).toContain('No decided case')
  })
})

describe('money', () => {
  const money = {
    currency: '£',
    stages: [
      { stage: 'triaged', cases: 2, low: 360, high: 840 },
      { stage: 'handover', cases: 1, low: 320, high: 780.4 },
    ],
    undecided: 1,
    unsized: 2,
  } as OpenMoney
  it('is a band and its sum', () => {
    expect(moneySum(money)).toEqual({ cases: 3, low: 680, high: 1620.4 })
    expect(band('£', 680, 1620.4)).toBe('£680–1,620')
    expect(band('£', 60, 60)).toBe('£60')
  })
  it('says what it does not hold', () => {
    expect(moneyLacks(money)).toBe(
      '1 without a decided path is not in it. Of 2 nobody knows the capacity, so what large devices cost more is ' +
        'not in it. What was agreed, billed and paid is on no record yet.',
    )
    expect(moneyLacks({ ...money, undecided: 0, unsized: 0 })).toBe(
      'What was agreed, billed and paid is on no record yet.',
    )
  })
})

it('says when not every open case was looked at', () => {
  expect(openLacks({ looked: 12, all: 12 })).toBe('')
  expect(openLacks({ looked: 1000, all: 1240 })).toContain('1,240 open cases')
})
it('counts endings by what the customer got, the best first', () => {
  const ended = ['declined', 'whole', 'partly', 'whole'].map((how) => ({ how })) as EndedCase[]
  expect(endings(ended)).toEqual([
    { how: 'whole', cases: 2 },
    { how: 'partly', cases: 1 },
    { how: 'declined', cases: 1 },
  ])
})
