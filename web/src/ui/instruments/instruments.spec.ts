// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { CustodyEntry, RankedPath } from '@/api/types'
import CustodyTape from './CustodyTape.vue'
import FillGauge from './FillGauge.vue'
import HashLadder from './HashLadder.vue'
import RankingScale from './RankingScale.vue'
import ReadRibbon from './ReadRibbon.vue'
import WantedTally from './WantedTally.vue'

const piece = (fact: string, weight: number, observed = false) => ({
  fact,
  weight,
  reason: `because ${fact}`,
  observed,
})
const path = (
  label: string,
  speaksFor: ReturnType<typeof piece>[],
  against: ReturnType<typeof piece>[] = [],
  barred = false,
): RankedPath => ({
  path: 'decline',
  label,
  score: 0,
  barred,
  barredBecause: barred ? ['It clicks.'] : [],
  for: speaksFor,
  against,
})

describe('the ranking scale', () => {
  const ranking = [
    path('Hardware work', [piece('noise=clicking', 8)]),
    path('Straight copy', [], [piece('noise=clicking', 4, true)], true),
    path('Decline', []),
  ]

  it('says each piece in words, for a screen reader and on focus', async () => {
    const scale = mount(RankingScale, { props: { ranking } })
    const pieces = scale.findAll('g[role=img]')
    expect(pieces.map((p) => p.attributes('aria-label'))).toEqual([
      'Hardware work: for 8, clicking. because noise=clicking',
      'Straight copy: against 4, clicking. because noise=clicking',
    ])
    await pieces[1]!.trigger('focus')
    expect(scale.find('.note').text()).toContain('−4')
  })
  it('marks what is barred by a word and folds what nothing speaks for', () => {
    const scale = mount(RankingScale, { props: { ranking } })
    expect(scale.text()).toContain('barred')
    expect(scale.find('.silent').text()).toBe('Nothing speaks for or against decline.')
  })
})

describe('the custody tape', () => {
  const entry = (number: number, previous: string, hash: string): CustodyEntry => ({
    number,
    caseNumber: 'BR-1',
    at: '2026-11-24T09:00:00Z',
    who: 'Una',
    what: `did ${number}`,
    detail: '',
    previous,
    hash,
  })

  it('shows the newest on top and no tear where every seam meets', () => {
    const tape = mount(CustodyTape, {
      props: {
        tape: {
          entries: [entry(1, '0'.repeat(64), 'a'.repeat(64)), entry(2, 'a'.repeat(64), 'b'.repeat(64))],
          tears: [],
        },
      },
    })
    expect(tape.findAll('.what .fw-semibold').map((w) => w.text())).toEqual(['did 2', 'did 1'])
    expect(tape.find('.tear').exists()).toBe(false)
  })
  it('shows a tear where it is, and says what is wrong', () => {
    const entries = [entry(1, '0'.repeat(64), 'a'.repeat(64)), entry(3, 'b'.repeat(64), 'c'.repeat(64))]
    const tape = mount(CustodyTape, {
      props: { tape: { entries, tears: [{ after: 2, words: 'Entry 2 is missing.' }] } },
    })
    expect(tape.find('.tear').text()).toContain('Entry 2 is missing.')
    expect(tape.findAll('li').map((l) => (l.classes('tear') ? 'tear' : l.find('.number').text()))).toEqual([
      '3',
      'tear',
      '1',
    ])
  })
  it('shows an end that was cut off, at the end', () => {
    const tape = mount(CustodyTape, {
      props: {
        tape: {
          entries: [entry(1, '0'.repeat(64), 'a'.repeat(64))],
          tears: [{ after: 1, words: 'The record ends at entry 1, but 2 were written.' }],
        },
      },
    })
    expect(tape.findAll('li')[0]!.text()).toContain('2 were written')
  })
})

describe('the read ribbon', () => {
  it('shows failed places as notches and tells where it was pointed at', async () => {
    const ribbon = mount(ReadRibbon, { props: { cells: 'rrrrf' + 'r'.repeat(15), rates: '', bytes: 1000, head: 500 } })
    expect(ribbon.findAll('path.failed')).toHaveLength(1)
    await ribbon.trigger('click', { clientX: 0, clientY: 0 })
    expect(ribbon.emitted('point')).toHaveLength(1)
  })
  it('is all unasked before anything was read', () => {
    const ribbon = mount(ReadRibbon, { props: { cells: '', rates: '', bytes: 1000 } })
    expect(ribbon.findAll('rect[fill="var(--fill)"]')).toHaveLength(0)
    expect(ribbon.attributes('aria-label')).toContain('1000 B')
  })
})

describe('states are told by shape, not by hue alone', () => {
  it('each prognosis draws something of its own', () => {
    const drawn = ['whole', 'gapped', 'doubtful', 'overwritten'].map((prognosis) =>
      mount(FillGauge, { props: { prognosis, share: 0.8 } }).html(),
    )
    expect(new Set(drawn).size).toBe(4)
  })
  it('a vessel is dark as far as a check covers what is there', () => {
    const half = mount(FillGauge, { props: { prognosis: 'whole', share: 0.8, proven: 0.5 } })
    const high = (part: string) => Number(half.find(part).attributes('height'))
    expect(high('.sure')).toBeCloseTo(high('.there') / 2)
    expect(
      mount(FillGauge, { props: { prognosis: 'whole', proven: 0 } })
        .find('.sure')
        .exists(),
    ).toBe(false)
  })
  it('the tally and the ladder say their numbers', () => {
    expect(
      mount(WantedTally, { props: { whole: 2, gapped: 1, missing: 3 } })
        .find('svg')
        .attributes('aria-label'),
    ).toBe('2 whole · 1 with gaps or in doubt · 3 missing')
    const ladder = mount(HashLadder, { props: { equal: 3, differing: 1, waiting: 0, upper: 'list', lower: 'files' } })
    expect(ladder.find('svg').attributes('aria-label')).toBe('3 equal, 1 different, 0 waiting')
    expect(ladder.findAll('line[stroke="var(--madder)"]')).toHaveLength(2)
  })
})
