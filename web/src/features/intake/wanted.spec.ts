import { expect, it } from 'vitest'
import { assumedYear, filledFrom, shiftedYear } from './wanted'

const empty = { words: 'w', kinds: [], pattern: '', hopedFor: 0, minBytes: 0, mustHave: true }

it('fills what is empty from the words and leaves alone what was entered', () => {
  const found = { ...empty, kinds: ['audio'], hopedFor: 40, changedFrom: '2026-06-01', mustHave: false }
  expect(filledFrom(empty, found)).toEqual({ ...found, changedTo: undefined })
  const entered = { ...empty, kinds: ['video'], hopedFor: 7, changedFrom: '2011-01-01' }
  expect(filledFrom(entered, found)).toMatchObject({ kinds: ['video'], hopedFor: 7, changedFrom: '2011-01-01' })
})

it('moves a year that nobody said, and then it is said', () => {
  const june = { ...empty, changedFrom: '2026-06-01', changedTo: '2026-06-30', yearAssumed: true }
  expect(assumedYear(june)).toBe('2026')
  expect(shiftedYear(june, -1)).toMatchObject({
    changedFrom: '2025-06-01',
    changedTo: '2025-06-30',
    yearAssumed: false,
  })
  expect(assumedYear(shiftedYear(june, -1))).toBeUndefined()
  expect(shiftedYear({ ...empty, changedTo: '2024-02-29' }, -1).changedTo).toBe('2023-02-28')
  expect(shiftedYear({ ...empty, changedTo: '2023-02-28' }, 1).changedTo).toBe('2024-02-29')
})
