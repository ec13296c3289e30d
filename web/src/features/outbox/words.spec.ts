import { expect, it } from 'vitest'
import { stateWords } from './words'

it('says where a message stands', () => {
  expect(stateWords({ state: 'sent', tries: 1, sentAt: '2026-11-25T09:00:00Z' })).toBe('sent Wed 25 Nov 09:00')
  expect(stateWords({ state: 'queued', tries: 0, nextAt: '2026-11-25T09:02:00Z' })).toBe('goes out Wed 25 Nov 09:02')
  expect(stateWords({ state: 'queued', tries: 2, nextAt: '2026-11-25T09:12:00Z' })).toBe(
    'tried 2 times, again Wed 25 Nov 09:12',
  )
  expect(stateWords({ state: 'failed', tries: 8 })).toBe('not sent after 8 tries')
  expect(stateWords({ state: 'cancelled', tries: 0 })).toBe('held back')
})
