import { describe, expect, it } from 'vitest'
import type { Delivery } from '@/api/types'
import { deliveryWords } from './words'

describe('where a delivery stands', () => {
  const steps: [Partial<Delivery>, string][] = [
    [{ state: 'sealing' }, 'being sealed'],
    [{ state: 'failed' }, 'not sealed, see why'],
    [{ state: 'sealed' }, 'sealed, no link yet'],
    [{ state: 'sealed', linkSentAt: 'x' }, 'link made, not opened yet'],
    [{ state: 'sealed', linkSentAt: 'x', openedAt: 'x' }, 'opened, not downloaded yet'],
    [{ state: 'sealed', openedAt: 'x', downloadedAt: 'x' }, 'downloaded, no receipt yet'],
    [
      { state: 'sealed', downloadedAt: 'x', receipt: { name: 'Edwin Shore', at: '', checked: 1, equal: 1 } },
      'received by Edwin Shore',
    ],
  ]
  it.each(steps)('%o is %s', (part, words) => {
    expect(deliveryWords(part as Delivery)).toBe(words)
  })
})
