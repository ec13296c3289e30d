import { describe, expect, it } from 'vitest'
import type { RecoveredFile } from '@/api/types'
import { accountOf, bandOf } from './account'

const file = (outcome: string, prognosis = 'whole') => ({ outcome, prognosis, name: 'x' }) as RecoveredFile

describe('the account', () => {
  it('leaves no selected finding out', () => {
    const files = [file('whole'), file('whole', 'doubtful'), file('gapped'), file('not-written', 'overwritten')]
    const sum = accountOf(files)
    expect(sum.whole.length + sum.gapped.length + sum.doubtful.length + sum.missing.length).toBe(files.length)
    expect(sum.missing).toHaveLength(1)
  })
  it('shows one lost file among thousands', () => {
    const band = bandOf(accountOf([...Array<RecoveredFile>(5000).fill(file('whole')), file('not-written')]))
    expect(band.map((b) => b.part)).toEqual(['whole', 'missing'])
    expect(band[1]!.width).toBeGreaterThan(0.05)
    expect(band.reduce((n, b) => n + b.width, 0)).toBeCloseTo(1)
  })
})
