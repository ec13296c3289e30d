import { describe, expect, it } from 'vitest'
import type { Volume } from '@/api/types'
import { holds, rowName, strataOf, wholeShare } from './strata'

const GIB = 1 << 30

function volume(index: number, startByte: number, lengthBytes: number, state: Volume['state'] = 'live'): Volume {
  return {
    index,
    fs: 'ntfs',
    label: `v${index}`,
    startByte,
    lengthBytes,
    clusterBytes: 4096,
    state,
    foundBy: 'its head',
    serial: '',
    made: '',
    unread: false,
    remarks: [],
  }
}
const report = (volumes: Volume[], size: number) => ({ volumes, inVolumes: [], size })

describe('strata', () => {
  it('draws volumes to scale, side by side', () => {
    const [a, b] = strataOf(report([volume(0, 0, 60 * GIB), volume(1, 60 * GIB, 40 * GIB, 'lost')], 100 * GIB))
    expect(a).toMatchObject({ row: 0, left: 0, width: 0.6 })
    expect(b).toMatchObject({ row: 0, left: 0.6, width: 0.4 })
  })
  it('puts what was before below what is now', () => {
    const strata = strataOf(
      report([volume(0, 0, GIB, 'earlier'), volume(1, 0, GIB), volume(2, 0, GIB, 'earlier')], GIB),
    )
    expect(strata.map((s) => [s.volume.index, s.row])).toEqual([
      [1, 0],
      [0, 1],
      [2, 2],
    ])
    expect([0, 1, 2, 7].map(rowName)).toEqual(['now', 'earlier', 'older', 'older'])
  })
  it('keeps any number of small volumes apart, in order and on the medium', () => {
    let seed = 7
    const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647
    for (let round = 0; round < 200; round++) {
      const count = 1 + Math.floor(random() * 9)
      let at = 0
      const volumes = Array.from({ length: count }, (_, i) => {
        const start = at + Math.floor(random() * 50)
        at = start + 1 + Math.floor(random() * 100)
        return volume(i, start, at - start)
      })
      const strata = strataOf(report(volumes, at + 1 + Math.floor(random() * 5000)))
      let end = 0
      for (const s of strata) {
        expect(s.left).toBeGreaterThanOrEqual(end - 1e-9)
        expect(s.width).toBeGreaterThanOrEqual(Math.min(0.16, 1 / count) - 1e-9)
        end = s.left + s.width
        expect(end).toBeLessThanOrEqual(1 + 1e-9)
      }
      expect(strata.map((s) => s.volume.index)).toEqual(volumes.map((v) => v.index))
    }
  })
  it('says what a volume holds', () => {
    const counts = {
      volume: 0,
      findings: 1240,
      origins: { deleted: 40, live: 1200 },
      prognoses: { whole: 1178, doubtful: 62 },
      problems: [],
    }
    expect(holds(volume(0, 0, 1), counts)).toBe('40 deleted, 1,200 live')
    expect(holds(volume(0, 0, 1), undefined)).toBe('no files found')
    expect(holds({ ...volume(0, 0, 1), unread: true }, undefined)).toBe('not read')
    expect(wholeShare(counts)).toBeCloseTo(0.95)
    expect(wholeShare(undefined)).toBeUndefined()
  })
})
