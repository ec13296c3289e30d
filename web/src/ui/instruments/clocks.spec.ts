import { describe, expect, it } from 'vitest'
import { HOUR, hourOf, marks, span } from './staff'
import { wickOf } from './wick'

const at = (iso: string) => Date.parse(iso)

describe('a wick', () => {
  it('burns from its beginning to its end', () => {
    const w = wickOf('2026-11-25T08:00:00Z', '2026-11-25T20:00:00Z', at('2026-11-25T11:00:00Z'))
    expect(w.burnt).toBeCloseTo(0.25)
    expect(w).toMatchObject({ level: 'calm', words: 'today 20:00' })
  })
  it('warns when little is left and says how much', () => {
    expect(wickOf('2026-11-25T08:00:00Z', '2026-11-25T12:00:00Z', at('2026-11-25T11:40:00Z'))).toMatchObject({
      level: 'warn',
      words: '20 min left',
    })
    expect(wickOf('2026-11-25T08:00:00Z', '2026-11-25T12:00:00Z', at('2026-11-25T10:00:00Z'))).toMatchObject({
      level: 'calm',
      words: '2 h left',
    })
  })
  it('says by how much it is over', () => {
    expect(wickOf('2026-11-25T08:00:00Z', '2026-11-25T10:00:00Z', at('2026-11-25T10:40:00Z'))).toEqual({
      burnt: 1,
      level: 'over',
      words: '40 min over',
    })
  })
  it('names the day when it is not today', () => {
    expect(wickOf('2026-11-25T08:00:00Z', '2026-11-27T10:00:00Z', at('2026-11-25T10:00:00Z')).words).toBe(
      'Fri 27 Nov 10:00',
    )
  })
  it('that began and ended at once is not divided by nothing', () => {
    expect(wickOf('2026-11-26T08:00:00Z', '2026-11-26T08:00:00Z', at('2026-11-25T10:00:00Z')).burnt).toBe(0)
  })
})

describe('the day staff', () => {
  it("takes hours in the lab's zone", () => {
    expect(hourOf('2026-11-25T08:30:00Z', 'UTC')).toBe(8.5)
    expect(hourOf('2026-07-25T08:30:00Z', 'Europe/London')).toBe(9.5)
    expect(hourOf('2026-11-25T00:00:00Z', 'UTC')).toBe(0)
  })
  it('shows working hours and what lies outside them', () => {
    expect(span([])).toEqual({ first: 8, last: 18 })
    expect(span([6.2, 21.5])).toEqual({ first: 6, last: 22 })
  })
  it('pushes labels apart and keeps them within', () => {
    const placed = marks([9, 9.1, 9.2, 17.9, 17.95, 18], 8, 18)
    const labels = placed.map((m) => m.label)
    for (let i = 1; i < labels.length; i++) expect(labels[i]! - labels[i - 1]!).toBeGreaterThanOrEqual(36)
    expect(Math.max(...labels)).toBeLessThanOrEqual(10 * HOUR + 8)
    expect(placed[0]).toEqual({ y: HOUR, label: HOUR })
  })
})
