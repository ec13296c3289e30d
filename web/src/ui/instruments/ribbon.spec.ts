import { describe, expect, it } from 'vitest'
import { notchesOf, parseCells, rateLines, runsOf } from './ribbon'

describe('the read ribbon', () => {
  it('joins equal cells and never over the end of a row', () => {
    const runs = runsOf(parseCells('rrrrrr..dd'), 2)
    expect(runs).toEqual([
      { row: 0, from: 0, to: 1, pattern: 'full' },
      { row: 1, from: 0, to: 0.2, pattern: 'full' },
      { row: 1, from: 0.6, to: 1, pattern: 'deferred' },
    ])
  })
  it('shows how much of a cell is read by density', () => {
    expect(runsOf(parseCells('9531.'), 1).map((r) => r.pattern)).toEqual(['dense', 'half', 'thin'])
  })
  it('marks failed cells with a notch in their row', () => {
    expect(notchesOf(parseCells('rrrrrfrrrr'), 2)).toEqual([{ row: 1, at: 0.1 }])
  })
  it('breaks the rate line where nothing was read', () => {
    const lines = rateLines('10,20,,20,10,10', 1)
    expect(lines.map((l) => l.points.length)).toEqual([2, 3])
    expect(lines[0]!.points[1]![1]).toBe(1)
  })
})
