import { describe, expect, it } from 'vitest'
import type { CatalogueLine } from '@/api/types'
import { between, blankLines, blankWords, dayWords, daysOf, resized } from './sheet'

const line = (id: number, made?: string, device?: string) =>
  ({ id, made, about: device ? { device } : {} }) as unknown as CatalogueLine

describe('a contact sheet', () => {
  it('has a row for each day, pictures by the hour, and last what nothing says the day of', () => {
    const days = daysOf([
      line(1, '2026-05-04T09:12:30'),
      line(2, '2026-05-04T09:50:00'),
      line(3, '2026-05-04T17:00:00'),
      line(4, '2026-05-08T00:10:00'),
      line(5),
    ])
    expect(days.map((d) => [d.day, d.count, d.blank])).toEqual([
      ['2026-05-04', 3, 0],
      ['2026-05-08', 1, 3],
      ['', 1, 0],
    ])
    expect(days[0]!.hours.map((h) => [h.hour, h.lines.map((l) => l.line.id)])).toEqual([
      [9, [1, 2]],
      [17, [3]],
    ])
    expect(days[1]!.hours[0]!.lines[0]!.index).toBe(3)
  })
  it('says what pictures were made with, where that begins', () => {
    const [day] = daysOf([
      line(1, '2026-05-04T09:12:30', 'Nordlys 5'),
      line(2, '2026-05-04T10:20:00', 'Nordlys 5'),
      line(3, '2026-05-04T11:00:00', 'Tern'),
      line(4, '2026-05-04T11:30:00', 'Nordlys 5'),
      line(5, '2026-05-04T12:30:00'),
    ])
    expect(day!.hours.map((h) => [h.hour, h.with])).toEqual([
      [9, 'Nordlys 5'],
      [10, ''],
      [11, '2 devices'],
      [12, ''],
    ])
  })
  it('keeps days without pictures as blank paper, though not a roll of it', () => {
    expect(blankWords(1)).toBe('one day without pictures')
    expect(blankWords(4000)).toBe('4,000 days without pictures')
    expect(blankLines(3)).toBe(3)
    expect(blankLines(4000)).toBe(7)
  })
  it('says days as people do', () => {
    expect(dayWords('2026-05-04')).toBe('Mon, 4 May 2026')
    expect(dayWords('')).toBe('day not kept')
  })
  it('grows and shrinks by a step, within its sizes', () => {
    expect(resized(112, 1)).toBe(168)
    expect(resized(72, -1)).toBe(72)
    expect(resized(240, 1)).toBe(240)
  })
  it('takes all between two pictures', () => {
    expect(between(5, 3)).toEqual([3, 4, 5])
    expect(between(2, 2)).toEqual([2])
  })
})
