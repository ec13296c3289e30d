import { describe, expect, it } from 'vitest'
import type { ScanReport, ScanView } from '@/api/types'
import { canBeAsked, isSound, kindRows, methodWords, phaseWords, scopeWords, shareDone } from './counts'

const scan = (part: Partial<ScanView>) =>
  ({ state: 'running', phase: 'content', done: 3, total: 4, ...part }) as ScanView

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

describe('what a session looked at and came to', () => {
  it('says where it looks', () => {
    expect(scopeWords({ volume: undefined, early: false, hashes: true, ofFiles: false })).toBe(
      'whole medium, each file hashed',
    )
    expect(scopeWords({ volume: undefined, early: false, hashes: false, ofFiles: true })).toBe('the copied files')
    expect(scopeWords({ volume: 2, early: true, hashes: false, ofFiles: false })).toBe('volume 2, while it was imaged')
    expect(methodWords({ method: 'carve', search: false })).toBe('content alone')
    expect(methodWords({ method: 'structure', search: false })).toBe('records')
    expect(methodWords({ method: 'structure', search: true })).toBe('records and free space')
    expect(methodWords({ method: 'both', search: true })).toBe('records and content')
  })
  it('rests when it was asked to', () => {
    expect(phaseWords(scan({ asked: 'pause' }))).toBe('paused')
    expect(phaseWords(scan({ phase: 'search' }))).toBe('searching what is free')
  })

  it('is not asked to rest once what it found joins the catalogue', () => {
    expect(canBeAsked(scan({ state: 'waiting', phase: 'waiting' }))).toBe(true)
    expect(canBeAsked(scan({ phase: 'content' }))).toBe(true)
    expect(canBeAsked(scan({ phase: 'catalogue' }))).toBe(false)
    expect(canBeAsked(scan({ state: 'done', phase: 'done' }))).toBe(false)
  })
  it('calls a medium sound only when nothing at all is wrong with it', () => {
    const report = {
      findings: 26,
      origins: { live: 26 },
      prognoses: { whole: 26 },
      problems: [],
      volumes: [{ state: 'live' }],
    } as unknown as ScanReport
    expect(isSound(report)).toBe(true)
    expect(isSound({ ...report, origins: { live: 25, deleted: 1 } })).toBe(false)
    expect(isSound({ ...report, prognoses: { whole: 25, gapped: 1 } })).toBe(false)
    expect(isSound({ ...report, problems: ['The chain breaks.'] })).toBe(false)
    expect(isSound({ ...report, volumes: [{ state: 'lost' }] } as unknown as ScanReport)).toBe(false)
    expect(isSound({ ...report, findings: 0, prognoses: {} })).toBe(false)
  })
})

it('says of a session of another lab where it was done', () => {
  expect(scopeWords({ elsewhere: 'Salt works', importedFrom: 'a session of Salt works' } as never)).toBe(
    'at Salt works',
  )
})
