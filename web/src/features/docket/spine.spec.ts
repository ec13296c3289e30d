import { describe, expect, it } from 'vitest'
import { spineOf } from './spine'

const visits = [
  { stage: 'received', at: '2026-11-20T10:00:00Z', who: 'Una' },
  { stage: 'triaged', at: '2026-11-20T11:00:00Z', who: 'Una' },
]

describe('the spine', () => {
  it('has every stage, with what is behind, at hand and to come', () => {
    const stops = spineOf('triaged', visits)
    expect(stops.map((s) => s.state)).toEqual(['done', 'now', 'next', 'next', 'next', 'next', 'next', 'next'])
    expect(stops[0]?.who).toBe('Una')
  })
  it('shows the latest visit of a stage that the case went back to', () => {
    const again = [
      ...visits,
      { stage: 'imaging', at: '2026-11-21T09:00:00Z', who: 'Tom' },
      { stage: 'triaged', at: '2026-11-22T09:00:00Z', who: 'Petra' },
    ]
    expect(spineOf('triaged', again)[1]).toMatchObject({ state: 'now', who: 'Petra' })
    expect(spineOf('triaged', again)[2]).toEqual({ stage: 'imaging', state: 'next', at: undefined, who: undefined })
  })
  it('has nothing before a case that was declined but that it is closed', () => {
    const stops = spineOf('declined', [
      ...visits.slice(0, 1),
      { stage: 'declined', at: '2026-11-20T12:00:00Z', who: 'Una' },
    ])
    expect(stops.map((s) => `${s.stage} ${s.state}`)).toEqual(['received done', 'declined now', 'closed next'])
  })
})
