import { describe, expect, it } from 'vitest'
import type { Delivery } from '@/api/types'
import { deliveryWords, eventsOf, receiptWords } from './words'

describe('where a delivery stands', () => {
  const steps: [Partial<Delivery>, string][] = [
    [{ state: 'sealing' }, 'being sealed'],
    [{ state: 'failed' }, 'not sealed, see why'],
    [{ state: 'sealed' }, 'sealed, no link yet'],
    [{ state: 'sealed', linkSentAt: 'x' }, 'link made, not opened yet'],
    [{ state: 'sealed', linkSentAt: 'x', openedAt: 'x' }, 'opened, not downloaded yet'],
    [{ state: 'sealed', linkSentAt: 'x', openedAt: 'x', withdrawnAt: 'x' }, 'link withdrawn'],
    [{ state: 'sealed', openedAt: 'x', downloadedAt: 'x' }, 'downloaded, no receipt yet'],
    [
      {
        state: 'sealed',
        downloadedAt: 'x',
        receipt: { name: 'Edwin Shore', at: '', checked: 1, equal: 1, compared: true },
      },
      'received by Edwin Shore',
    ],
  ]
  it.each(steps)('%o is %s', (part, words) => {
    expect(deliveryWords(part as Delivery)).toBe(words)
  })
})

describe('what a receipt says', () => {
  const receipt = { name: 'Edwin Shore', at: '', checked: 9, equal: 9, compared: true }
  it.each([
    [receipt, 'their browser hashed 9 of 9 files, every one as it was sealed'],
    [{ ...receipt, checked: 4, equal: 3 }, 'their browser hashed 4 of 9 files, 3 as they were sealed'],
    [{ ...receipt, checked: 0, equal: 0 }, 'did not check'],
    [{ ...receipt, compared: false }, 'said that 9 of 9 checked files were equal'],
  ])('%o: %s', (said, words) => {
    expect(receiptWords(said, 9)).toBe(words)
  })
})

it('tells what happened in its order', () => {
  const d = {
    sealedAt: '2026-11-24T10:00:00Z',
    linkSentAt: '2026-11-24T12:00:00Z',
    openedAt: '2026-11-24T11:00:00Z',
    who: 'Tom Gale',
  } as Delivery
  expect(eventsOf(d).map((e) => e.what)).toEqual(['bag sealed', 'opened', 'link made'])
})
