import { describe, expect, it } from 'vitest'
import type { Vocabulary } from '@/api/types'
import { rowsOf } from './rows'

const fact = (code: string, more: object = {}) => ({ code, ask: `${code}?`, values: ['yes'], ...more })
const vocabulary = {
  facts: [
    fact('loss.event'),
    fact('medium.type'),
    fact('bench.noise'),
    fact('since.hours', { number: true }),
    fact('medium.trim'),
  ],
} as unknown as Vocabulary

describe('the rows of the intake form', () => {
  it('are those that callers speak of; the first eight have a key', () => {
    const rows = rowsOf(vocabulary, false)
    expect(rows[0]).toMatchObject({ code: 'loss.event', number: 2, fact: { ask: 'loss.event?' } })
    expect(rows.filter((r) => r.number !== undefined).map((r) => r.number)).toEqual([2, 3, 4, 5, 6, 7, 8, 9])
    expect(rows.some((r) => r.code === 'medium.trim')).toBe(false)
  })
  it('grow by what is seldom said, not by what stands elsewhere', () => {
    const added = rowsOf(vocabulary, true).slice(rowsOf(vocabulary, false).length)
    expect(added.map((r) => [r.code, r.label])).toEqual([['medium.trim', 'trim']])
  })
  it('stand empty until the vocabulary is there', () => {
    expect(rowsOf(undefined, true).every((r) => r.fact === undefined)).toBe(true)
  })
})
