import { expect, it } from 'vitest'
import { wordsState, type WordsState } from './words'

const RUN = {
  id: 1,
  state: 'done',
  who: 'Una Farrow',
  startedAt: '2026-05-04T09:12:30Z',
  total: 13,
  done: 13,
  nothing: 0,
  unreadable: 1,
} as const
const STATE: WordsState = { documents: 13, looked: 0, said: 0 }

it('offers to read the words while nothing was read', () => {
  expect(wordsState(STATE)).toMatchObject({ words: '', offer: 'read the words inside 13 documents', doing: '' })
  expect(wordsState({ ...STATE, documents: 1 }).offer).toBe('read the words inside 1 document')
})
it('says how far they can be searched, and offers the rest', () => {
  expect(wordsState({ ...STATE, looked: 13, said: 12, run: RUN })).toEqual({
    doing: '',
    words: 'words inside: 13 of 13 documents read',
    title: '12 of 13 documents have words that can be read',
    offer: '',
  })
  expect(wordsState({ ...STATE, looked: 10, said: 10, run: RUN }).offer).toBe('read the other 3')
})
it('says why they are closed, and that it broke off', () => {
  const closed = 'The customer agreed to previews only.'
  expect(wordsState({ ...STATE, closed })).toMatchObject({
    words: 'words inside: closed by what the customer agreed to',
    title: closed,
    offer: '',
  })
  const broke = wordsState({ ...STATE, run: { ...RUN, state: 'failed', trouble: 'no image' } })
  expect(broke.words).toBe('words inside; it broke off')
  expect(broke.offer).toBe('read the words inside 13 documents')
  expect(wordsState({ ...STATE, run: { ...RUN, state: 'running' } }).doing).toBe('reading the words inside')
})
