import { describe, expect, it } from 'vitest'
import type { Decision } from '@/api/types'
import { keyDoes, neighbour, placeOf } from './queue'

const row = (key: string) =>
  ({ key, caseNumber: `BR-2611-${key}`, actions: [{ label: 'Take it' }, { label: 'Open triage' }] }) as Decision
const rows = ['0001', '0002', '0003'].map(row)

describe('the chosen row', () => {
  it('is found wherever it went', () => {
    expect(placeOf([row('0009'), ...rows], '0002')).toBe(2)
    expect(placeOf(rows, '0009')).toBeUndefined()
  })
  it('moves by one, and stays at the ends', () => {
    expect(neighbour(rows, '0001', 0, 1)).toBe('0002')
    expect(neighbour(rows, '0003', 2, 1)).toBe('0003')
    expect(neighbour(rows, '0001', 0, -1)).toBe('0001')
    expect(neighbour([], undefined, 0, 1)).toBeUndefined()
  })
  it('goes on from where it stood when it is gone', () => {
    const left = [rows[0]!, rows[2]!]
    expect(neighbour(left, '0002', 1, 1)).toBe('0003')
    expect(neighbour(left, '0002', 1, -1)).toBe('0001')
  })
  it('says what a key does to which case, and nothing when it is gone', () => {
    expect(keyDoes(rows[1], 0)).toBe('take it: 0002')
    expect(keyDoes(rows[1], 2)).toBeUndefined()
    expect(keyDoes(undefined, 0)).toBeUndefined()
  })
})
