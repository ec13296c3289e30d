import { describe, expect, it } from 'vitest'
import type { Ranking } from '@/api/types'
import { needOf } from './decision'

const ranking = {
  ranking: [
    { path: 'image-then-scan', barred: false, barredBecause: [] },
    { path: 'existing-copy', barred: false, barredBecause: [] },
    { path: 'straight-copy', barred: true, barredBecause: ['It clicks.'] },
  ],
} as unknown as Ranking

describe('deciding on a path', () => {
  it('takes the first as it is', () => {
    expect(needOf(ranking, 'image-then-scan')).toEqual({ kind: 'nothing' })
  })
  it('asks for a reason for any other', () => {
    expect(needOf(ranking, 'existing-copy')).toMatchObject({ kind: 'reason' })
  })
  it('says why a path is barred', () => {
    expect(needOf(ranking, 'straight-copy')).toMatchObject({
      kind: 'reason',
      why: expect.stringContaining('It clicks.'),
    })
  })
})
