import { describe, expect, it } from 'vitest'
import type { CatalogueLine } from '@/api/types'
import type { Pictured } from './alike'
import {
  between,
  blankLines,
  blankWords,
  dayWords,
  daysOf,
  partsOf,
  resized,
  roomOf,
  seenAs,
  steppedFrom,
} from './sheet'

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
  it('hangs pictures of one hour together that were made with one device, and says where a device begins', () => {
    const [day] = daysOf([
      line(1, '2026-05-04T09:12:30', 'Nordlys 5'),
      line(2, '2026-05-04T10:20:00', 'Nordlys 5'),
      line(3, '2026-05-04T11:00:00', 'Tern'),
      line(4, '2026-05-04T11:10:00', 'Nordlys 5'),
      line(5, '2026-05-04T11:20:00', 'Tern'),
      line(6, '2026-05-04T12:30:00'),
    ])
    expect(day!.hours.map((h) => [h.hour, h.begins, h.with, h.lines.map((l) => l.line.id)])).toEqual([
      [9, true, 'Nordlys 5', [1]],
      [10, true, '', [2]],
      [11, true, 'Tern', [3, 5]],
      [11, false, 'Nordlys 5', [4]],
      [12, true, '', [6]],
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
  it('draws a day of very many pictures in parts, each with room of its own', () => {
    const many = Array.from({ length: 130 }, (_, i) => line(i, `2026-05-04T${i < 100 ? '09' : '10'}:00:00`, 'Tern'))
    const parts = partsOf(daysOf([...many, line(200, '2026-05-09T09:00:00')]))
    expect(parts.map((p) => [p.day, p.goesOn, p.count, p.blank])).toEqual([
      ['2026-05-04', false, 130, 0],
      ['2026-05-04', true, 130, 0],
      ['2026-05-04', true, 130, 0],
      ['2026-05-09', false, 1, 4],
    ])
    expect(parts.map((p) => p.hours.map((h) => [h.hour, h.begins, h.with, h.lines.length]))).toEqual([
      [[9, true, 'Tern', 60]],
      [
        [9, false, '', 40],
        [10, true, '', 20],
      ],
      [[10, false, '', 10]],
      [[9, true, '', 1]],
    ])
    expect(new Set(parts.map((p) => p.key)).size).toBe(4)
    expect(roomOf(parts[0]!, 112, 1100)).toBe(8 * 142 + 30)
    expect(roomOf(parts[3]!, 112, 1100)).toBe(142 + 30 + 38)
  })
  it('knows where a picture that lies beneath another can be seen', () => {
    const at = (index: number, ...like: number[]): Pictured => ({
      index,
      line: line(index),
      like: like.map((l) => at(l)),
    })
    const some: Pictured[] = [at(0), at(2, 1, 4), at(3)]
    expect([0, 1, 2, 4, 9].map((i) => seenAs(some, i))).toEqual([0, 2, 2, 2, 0])
    expect(seenAs([], 5)).toBe(5)
  })
  it('steps and takes all between in the order that pictures hang in', () => {
    const order = [0, 2, 4, 1, 3]
    expect(between(order, 3, 4)).toEqual([4, 1, 3])
    expect(between(order, 2, 2)).toEqual([2])
    expect(steppedFrom(order, 4, 1)).toBe(1)
    expect(steppedFrom(order, 3, 1)).toBe(3)
    expect(steppedFrom(order, 0, -1)).toBe(0)
  })
})
