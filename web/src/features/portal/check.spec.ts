import { describe, expect, it } from 'vitest'
import type { PortalFile } from '@/api/types'
import { checkable, isTagFile, lineFor, sumOf, verdictOf } from './check'

const line = (number: number, path: string | undefined, size = 10, sha256: string | undefined = `h${number}`) =>
  ({
    number,
    name: path?.split('/').at(-1) ?? 'x',
    path,
    size,
    sha256,
    delivered: 'whole',
    gapBytes: 0,
    fits: [],
    mayFit: [],
  }) as PortalFile
const lines = [
  line(1, 'data/Plots/Plot 1.jpg'),
  line(2, 'data/Plots/Plot 2.jpg'),
  line(3, 'data/East/Plot 2.jpg'),
  line(4, 'data/read me.txt'),
]

describe('finding the line of a dropped file', () => {
  it('works for the bag, its data folder, or a folder within', () => {
    for (const path of [
      'BR-1-delivery-1/data/Plots/Plot 2.jpg',
      'data/Plots/Plot 2.jpg',
      'Plots/Plot 2.jpg',
      'Desktop/from the lab/Plots/Plot 2.jpg',
    ]) {
      expect(lineFor({ path, size: 1 }, lines)?.number).toBe(2)
    }
  })
  it('takes a single file by its name when there is only one such', () => {
    expect(lineFor({ path: 'read me.txt', size: 1 }, lines)?.number).toBe(4)
    expect(lineFor({ path: 'Plot 2.jpg', size: 1 }, lines)).toBeUndefined()
  })
  it('does not take a longer name for a shorter one', () => {
    expect(lineFor({ path: 'do not read me.txt', size: 1 }, lines)).toBeUndefined()
  })
  it('knows names that a system wrote in decomposed form', () => {
    const cafe = [line(9, 'data/café.txt')]
    expect(lineFor({ path: 'café.txt'.normalize('NFD'), size: 1 }, cafe)?.number).toBe(9)
  })
})

describe('the verdict', () => {
  it('goes by the hash alone', () => {
    expect(verdictOf(lines[0]!, { path: '', size: 10 }, 'h1').verdict).toBe('equal')
  })
  it('says how a different file differs', () => {
    expect(verdictOf(lines[0]!, { path: '', size: 7 }, 'zz')).toMatchObject({
      verdict: 'differs',
      why: 'Yours is 3 bytes shorter.',
    })
    expect(verdictOf(lines[0]!, { path: '', size: 10 }, 'zz').why).toContain('Same length')
  })
  it('is summed up without losing a line', () => {
    const results = new Map([
      [1, verdictOf(lines[0]!, { path: '', size: 10 }, 'h1')],
      [2, verdictOf(lines[1]!, { path: '', size: 12 }, 'zz')],
    ])
    expect(sumOf(results, lines)).toEqual({ equal: 1, differs: 1, checked: 2, waiting: 2 })
  })
})

describe('what is on the list', () => {
  it('leaves out what was not delivered', () => {
    expect(checkable([...lines, line(0, undefined)])).toHaveLength(4)
  })
  it("knows the bag's own files", () => {
    expect(isTagFile('BR-1/manifest-sha256.txt.sig')).toBe(true)
    expect(isTagFile('BR-1/account.json')).toBe(true)
    expect(isTagFile('my-account.json')).toBe(false)
  })
})
