import { describe, expect, it } from 'vitest'
import type { Docket } from '@/api/types'
import { STAGES } from '@/features/cases'
import { nextMove } from './next'

const docket = (stage: string, hold?: { reason: string; from: string }): Docket =>
  ({ stage, hold }) as unknown as Docket

describe('what comes next', () => {
  it('is said for every stage, and leads to a room that there is', () => {
    const rooms = [...STAGES, 'custody']
    for (const stage of [...STAGES, 'declined']) {
      const move = nextMove(docket(stage), undefined)
      expect(move.words.length, stage).toBeGreaterThan(20)
      expect(rooms, stage).toContain(move.place)
      expect(move.action, stage).toMatch(/^Open /)
    }
  })
  it('is what the path says first once a case is decided', () => {
    expect(nextMove(docket('triaged'), 'Dry it before anybody powers it.').words).toBe(
      'Dry it before anybody powers it.',
    )
    expect(nextMove(docket('triaged'), undefined).words).toContain('Attach the device')
  })
  it('is to wait while it is on hold, whatever the stage', () => {
    const move = nextMove(docket('imaging', { reason: 'parts are ordered.', from: 'imaging' }), undefined)
    expect(move.words).toContain('parts are ordered.')
    expect(move.place).toBe('imaging')
  })
})
