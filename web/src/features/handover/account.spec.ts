import { describe, expect, it } from 'vitest'
import type { RecoveryAccount } from '@/api/types'
import { bandOf, filesOf } from './account'

const account = (whole: number, gapped = 0, doubtful = 0, missing = 0): RecoveryAccount => ({
  whole,
  gapped: { files: gapped, first: [] },
  doubtful: { files: doubtful, first: [] },
  missing: { files: missing, first: [] },
})

describe('the account', () => {
  it('leaves no selected finding out', () => {
    expect(filesOf(account(1, 2, 3, 4))).toBe(10)
    expect(bandOf(account(1, 2, 3, 4)).map((b) => b.count)).toEqual([1, 2, 3, 4])
  })
  it('shows one lost file among thousands', () => {
    const band = bandOf(account(5000, 0, 0, 1))
    expect(band.map((b) => b.part)).toEqual(['whole', 'missing'])
    expect(band[1]!.width).toBeGreaterThan(0.05)
    expect(band.reduce((n, b) => n + b.width, 0)).toBeCloseTo(1)
  })
  it('of nothing is no band', () => {
    expect(bandOf(account(0))).toEqual([])
  })
})
