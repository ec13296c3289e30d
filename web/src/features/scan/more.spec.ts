import { describe, expect, it } from 'vitest'
import type { ScanReport } from '@/api/types'
import { whyMore } from './more'

const MIB = 1 << 20
const report = (listed: number, again = 0, unstored = 0) =>
  ({
    size: 64 * MIB,
    origins: { live: 12, earlier: 1200 },
    claims: { listed, distinct: 60 * MIB, again, unstored },
  }) as unknown as ScanReport

describe('why there is more than the medium holds', () => {
  it('says nothing while there is not', () => {
    expect(whyMore(report(64 * MIB, 5))).toEqual([])
    expect(whyMore({ ...report(1), claims: undefined } as unknown as ScanReport)).toEqual([])
  })
  it('names the numbers behind it', () => {
    const [first, second, third, last] = whyMore(report(92 * MIB, 30 * MIB, 2 * MIB))
    expect(first).toBe(
      'The files found come to 92.0 MiB, on a medium of 64.0 MiB: ' +
        '12 files that stand, 1,200 files from before the format.',
    )
    expect(second).toContain('30.0 MiB of that lie where another file lies')
    expect(third).toContain('2.00 MiB are stored nowhere')
    expect(last).toContain('60.0 MiB of the medium')
    expect(whyMore(report(92 * MIB, 0, 28 * MIB))).toHaveLength(3)
  })
})
