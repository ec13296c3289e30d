import { describe, expect, it } from 'vitest'
import type { ScanView, Volume } from '@/api/types'
import { columnOf, kindRows, phaseWords, shareDone } from './counts'

const scan = (part: Partial<ScanView>) => ({ state: 'running', phase: 'content', done: 3, total: 4, ...part }) as ScanView

describe('a scan session', () => {
  it('lists kinds, most first, alike ones by name', () => {
    expect(kindRows({ txt: 2, jpg: 8, csv: 2 })).toEqual([
      { kind: 'jpg', count: 8, share: 1 },
      { kind: 'csv', count: 2, share: 0.25 },
      { kind: 'txt', count: 2, share: 0.25 },
    ])
    expect(kindRows({})).toEqual([])
  })
  it('says what it is doing, and that it stops once asked', () => {
    expect(phaseWords(scan({}))).toBe('looking at content')
    expect(phaseWords(scan({ asked: 'stop' }))).toBe('stopping')
    expect(phaseWords(scan({ state: 'failed' }))).toBe('failed')
  })
  it('knows its share before and after', () => {
    expect(shareDone(scan({}))).toBe(0.75)
    expect(shareDone(scan({ total: 0 }))).toBe(0)
    expect(shareDone(scan({ state: 'done', total: 0 }))).toBe(1)
  })
})

describe('a volume', () => {
  it('never leaves the medium, whatever its boot sector claims', () => {
    expect(columnOf({ startByte: 0, lengthBytes: 200 } as Volume, 100)).toEqual({ left: 0, width: 1 })
    expect(columnOf({ startByte: 500, lengthBytes: 200 } as Volume, 100).left).toBe(1)
  })
})
