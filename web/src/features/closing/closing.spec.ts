import { describe, expect, it } from 'vitest'
import type { Closing } from '@/api/types'
import { asked, disposedWords, lacking, likeliest } from './closing'

const option = (outcome: Closing['options'][number]['outcome'], lacks: string[] = [], asks = '') => ({
  outcome,
  lacks,
  asks,
})
const state = (...options: Closing['options']): Closing => ({
  devices: [],
  missing: ['It is on hold.'],
  options,
  papers: [],
})

describe('how a case ends', () => {
  it('lacks what every case must have, and what the outcome must have', () => {
    const it = state(option('delivered', ['No delivery is sealed.']), option('declined'))
    expect(lacking(it, 'delivered')).toEqual(['It is on hold.', 'No delivery is sealed.'])
    expect(lacking(it, 'declined')).toEqual(['It is on hold.'])
    expect(lacking(it, undefined)).toEqual(['It is on hold.'])
  })
  it('asks for words where the outcome must be reasoned', () => {
    const it = state(option('copy-found', [], 'Which copy'), option('declined'))
    expect(asked(it, 'copy-found')).toBe('Which copy')
    expect(asked(it, 'declined')).toBe('')
    expect(asked(it, undefined)).toBe('')
  })
  it('begins with the one outcome that the records speak for', () => {
    const open = [option('copy-found', [], 'Which'), option('nothing-recoverable', [], 'What was tried')]
    expect(likeliest(state(option('delivered'), option('declined', ['no']), ...open))).toBe('delivered')
    expect(likeliest(state(option('delivered', ['no']), option('declined', ['no']), ...open))).toBeUndefined()
    expect(likeliest(state(option('delivered'), option('declined'), ...open))).toBeUndefined()
  })
  it('says what became of a device, on which day', () => {
    const device = { id: 1, position: 1, name: 'Stick', serial: '' }
    expect(disposedWords(device)).toBe('with the lab')
    const disposed = { disposition: 'returned', words: 'to Hilda', day: '2026-12-01', who: 'Una', at: '' } as const
    expect(disposedWords({ ...device, disposed })).toMatch(/^given back, .*Dec.*: to Hilda$/)
    expect(disposedWords({ ...device, disposed: { ...disposed, disposition: 'never-came', words: '' } })).toMatch(
      /^never came, [^:]*$/,
    )
  })
})
