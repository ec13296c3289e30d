import { describe, expect, it } from 'vitest'
import type { CataloguePlace, ScanView, WantedState } from '@/api/types'
import { fitMarks, heightOf, holdsWords, kindsOf, shelvesOf, wholeShare } from './shelves'

const holds = (lines: number, bytes = lines * 1024, whole = lines) => ({ lines, bytes, whole })
const root = (
  folder: number,
  volume: string,
  lines: number,
  fits: { wanted: number; fits: number; mayFit: number }[] = [],
) => ({
  folders: [folder],
  name: '',
  volume,
  holds: holds(lines),
  fits,
})
const volume = (index: number, startByte: number, label = '') => ({
  index,
  startByte,
  lengthBytes: 4096,
  fs: 'fat32',
  state: 'live',
  label,
})
const session = (id: number, volumes: unknown[], device = 1) =>
  ({ id, device, report: { volumes } }) as unknown as ScanView
const CASE: CataloguePlace = {
  behind: [],
  own: holds(0),
  shelves: [
    root(1, '3:0', 5, [{ wanted: 7, fits: 2, mayFit: 0 }]),
    root(2, '3:1', 1),
    root(9, '4:1', 2, [{ wanted: 7, fits: 1, mayFit: 3 }]),
  ],
  further: 0,
  days: [],
  undated: { lines: 0, bytes: 0, whole: 0 },
  nameless: { pdf: holds(2), jpg: holds(4, 100, 3) },
}

describe('the shelves of a case', () => {
  it('hold the same volume of two devices twice, and say which device each is of', () => {
    const shelves = shelvesOf(
      CASE,
      [session(3, [volume(0, 0, 'HIVES'), volume(1, 8192)]), session(4, [volume(1, 0, 'HIVES')], 2)],
      (device) => `slot ${device}`,
    )
    expect(shelves.slice(0, 3).map((s) => [s.name, s.folders, s.about?.split(':')[0]])).toEqual([
      ['HIVES', [1], 'slot 1'],
      ['volume 1', [2], 'slot 1'],
      ['HIVES', [9], 'slot 2'],
    ])
  })
  it('hold each volume once, however its sessions number it, and what no record names last', () => {
    const shelves = shelvesOf(CASE, [
      session(3, [volume(0, 0, 'HIVES'), volume(1, 8192)]),
      session(4, [volume(1, 0, 'HIVES')]),
    ])
    expect(shelves.map((s) => [s.name, s.folders, s.holds.lines])).toEqual([
      ['HIVES', [1, 9], 7],
      ['volume 1', [2], 1],
      ['no name kept', [], 6],
    ])
    expect(shelves[0]?.about).toBe('FAT32, live, 4.00 KiB')
    expect(shelves[0]?.fits).toEqual([{ wanted: 7, fits: 3, mayFit: 3 }])
  })
  it('say whose volumes they are while a session has not ended', () => {
    expect(shelvesOf({ ...CASE, nameless: {} }, []).map((s) => s.about)).toEqual([
      'of session 3',
      'of session 3',
      'of session 4',
    ])
  })
  it('are the folders inside a folder', () => {
    const inside = { ...CASE, path: '/Band', shelves: [{ folders: [4, 5], name: 'March', holds: holds(1), fits: [] }] }
    expect(shelvesOf(inside, []).map((s) => [s.key, s.name])).toEqual([['4', 'March']])
  })
  it('are kinds where no record names anything, most first', () => {
    expect(kindsOf(CASE).map((s) => s.name)).toEqual(['jpg', 'pdf'])
  })
})

describe('a shelf', () => {
  it('stands higher the more it holds, and never out of sight', () => {
    const [most, little] = shelvesOf({ ...CASE, shelves: [root(1, '3:0', 1000), root(2, '3:1', 0)], nameless: {} }, [])
    const both = [most!, little!]
    expect(heightOf(most!.holds, both)).toBe(1)
    expect(heightOf(little!.holds, both)).toBeCloseTo(0.14)
  })
  it('says what it holds', () => {
    expect(holdsWords(holds(1))).toBe('1 file, 1.00 KiB')
    expect(wholeShare(holds(4, 100, 3))).toBe(0.75)
    expect(wholeShare(holds(0))).toBe(0)
  })
  it('marks the wanted lines that it holds', () => {
    const wanted = [{ line: { id: 3 } }, { line: { id: 7 } }] as WantedState[]
    expect(fitMarks([{ wanted: 7, fits: 1200, mayFit: 3 }], wanted)).toBe('W2 1,200 + 3?')
    expect(fitMarks([{ wanted: 3, fits: 0, mayFit: 3 }], wanted)).toBe('W1 3?')
  })
})
