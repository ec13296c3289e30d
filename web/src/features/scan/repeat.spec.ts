import { describe, expect, it } from 'vitest'
import type { Carved, ScanView } from '@/api/types'
import { alreadyWords, didAlready, type Wish } from './repeat'

const image = { bytes: 0, of: 9, imageSha256: 'aa' } as Carved
const session = (id: number, part: Partial<ScanView>) =>
  ({ id, state: 'done', method: 'both', search: true, hashes: false, imageSha256: 'aa', ...part }) as ScanView
const wish: Wish = { method: 'both', search: true, hashes: false }

describe('a scan that was done already', () => {
  it('is named', () => {
    expect(alreadyWords(didAlready(wish, [session(3, {})], image))).toBe(
      'Session 3 did this on the same image; nothing new can come of it.',
    )
  })
  it('may have been done in two parts', () => {
    const parts = [session(1, { method: 'structure' }), session(2, { method: 'carve', search: false })]
    expect(didAlready(wish, parts, image).map((s) => s.id)).toEqual([1, 2])
    expect(didAlready(wish, parts.slice(1), image)).toEqual([])
  })
  it('holds for a volume of the whole, never for the whole of a volume', () => {
    expect(didAlready({ ...wish, volume: 2 }, [session(1, {})], image)).toHaveLength(1)
    expect(didAlready(wish, [session(1, { volume: 2 })], image)).toEqual([])
  })
  it('is another one where more is asked, the image is another, or it did not end', () => {
    for (const part of [{ imageSha256: 'bb' }, { state: 'stopped' as const }, { importedFrom: 'x.gz' }])
      expect(didAlready(wish, [session(1, part)], image)).toEqual([])
    expect(didAlready({ ...wish, hashes: true }, [session(1, {})], image)).toEqual([])
    expect(didAlready(wish, [session(1, { method: 'structure', search: false })], image)).toEqual([])
    expect(didAlready(wish, [session(1, {})], undefined)).toEqual([])
    expect(alreadyWords([])).toBe('')
  })
})
