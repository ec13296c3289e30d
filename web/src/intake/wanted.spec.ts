import { expect, it } from 'vitest'
import { filledFrom } from './wanted'

const empty = { words: 'w', kinds: [], pattern: '', hopedFor: 0, minBytes: 0, mustHave: true }

it('fills what is empty from the words and leaves alone what was entered', () => {
  const found = { ...empty, kinds: ['audio'], hopedFor: 40, changedFrom: '2026-06-01', mustHave: false }
  expect(filledFrom(empty, found)).toEqual({ ...found, changedTo: undefined })
  const entered = { ...empty, kinds: ['video'], hopedFor: 7, changedFrom: '2011-01-01' }
  expect(filledFrom(entered, found)).toMatchObject({ kinds: ['video'], hopedFor: 7, changedFrom: '2011-01-01' })
})
