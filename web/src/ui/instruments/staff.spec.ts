import { describe, expect, it } from 'vitest'
import { HOUR, hourOf, marks, span } from './staff'

describe('the day staff', () => {
  it('reads hours in the lab’s zone', () => {
    expect(hourOf('2026-11-03T09:30:00Z', 'UTC')).toBe(9.5)
    expect(hourOf('2026-07-03T09:30:00Z', 'Europe/London')).toBe(10.5)
    expect(hourOf('2026-11-03T23:45:00Z', 'Asia/Tokyo')).toBe(8.75)
  })
  it('spans working hours, and more where something is', () => {
    expect(span([])).toEqual({ first: 8, last: 18 })
    expect(span([6.4, 21.2])).toEqual({ first: 6, last: 22 })
  })
  it('leaves labels beside their times where there is room', () => {
    expect(marks([9, 12], 8, 18)).toEqual([
      { y: HOUR, label: HOUR },
      { y: 4 * HOUR, label: 4 * HOUR },
    ])
  })
  it('pushes labels apart that would touch, and back up from the end', () => {
    for (const hours of [
      [9, 9, 9],
      [17.9, 17.95, 18],
      [8, 8.1, 17.8, 18],
    ]) {
      const placed = marks(hours, 8, 18)
      placed.slice(1).forEach((m, i) => expect(m.label - placed[i]!.label).toBeGreaterThanOrEqual(35.99))
      expect(placed.at(-1)!.label).toBeLessThanOrEqual(10 * HOUR + 8)
      expect(placed.map((m) => m.y)).toEqual(hours.map((h) => (h - 8) * HOUR))
    }
  })
})
