import { describe, expect, it } from 'vitest'
import type { DeviceState, Docket, LockState } from '@/api/types'
import { STAGES } from '@/features/cases'
import { nextMove, stageOf } from './next'

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
    const path = { firstMove: 'Attach it write-blocked.', startsAtTheBench: true }
    expect(nextMove(docket('triaged'), path)).toMatchObject({ words: 'Attach it write-blocked.', place: 'imaging' })
    expect(nextMove(docket('triaged'), undefined).words).toContain('Attach the device')
  })
  it('never leads to reading what a stop rule forbids to power', () => {
    const partner = { firstMove: 'Do not power it.', startsAtTheBench: false }
    const shut = { device: 1, rules: [], untouchable: ['It clicks.'], look: 'names' } as LockState
    expect(nextMove(docket('triaged'), partner, shut)).toMatchObject({ place: 'notes', action: 'Open notes' })
    const bench = { ...partner, startsAtTheBench: true }
    expect(nextMove(docket('triaged'), bench, shut)).toMatchObject({ action: 'Open what stops it' })
  })
  it('is the bench once the partner is done and the lock is released', () => {
    const partner = { firstMove: 'Send it.', startsAtTheBench: false }
    const release = { reason: 'new heads', who: 'Tom', at: '' }
    const rule = { code: 'no-power', say: '', because: [], forbids: true, release }
    const free = { device: 1, rules: [rule], untouchable: [], look: 'names' } as LockState
    expect(nextMove(docket('triaged'), partner, free)).toMatchObject({ place: 'imaging', action: 'Open imaging' })
  })
  it('is to wait while it is on hold, whatever the stage', () => {
    const move = nextMove(docket('imaging', { reason: 'parts are ordered.', from: 'imaging' }), undefined)
    expect(move.words).toContain('parts are ordered.')
    expect(move.place).toBe('imaging')
  })
  it('leads to the search for a copy where that was decided', () => {
    const copy = { firstMove: 'Look there before any scan.', startsAtTheBench: false }
    expect(nextMove({ ...docket('triaged'), path: 'existing-copy' }, copy)).toMatchObject({ place: 'copies' })
  })
  it('is that of the device at hand while its case is read and scanned', () => {
    const states = [
      { id: 1, stage: 'imaging' },
      { id: 2, stage: 'triaged' },
      { id: 3, stage: 'selection' },
    ] as DeviceState[]
    expect(stageOf({ stage: 'imaging' }, states, { id: 2 })).toBe('triaged')
    expect(stageOf({ stage: 'imaging' }, states, { id: 3 })).toBe('imaging')
    expect(stageOf({ stage: 'handover' }, states, { id: 2 })).toBe('handover')
    expect(stageOf({ stage: 'received' }, [], { id: 2 })).toBe('received')
  })
})
