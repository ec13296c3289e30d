import { describe, expect, it } from 'vitest'
import type { PortalPage } from '@/api/types'
import { deliveredWords, foundWords, headline, partsOf } from './words'

type Wanted = PortalPage['wanted'][number]
const wanted = (found: [number, number, number], delivered: [number, number], more: Partial<Wanted> = {}): Wanted => ({
  line: 1,
  words: 'w',
  mustHave: true,
  hopedFor: 6,
  found: { whole: found[0], partly: found[1], mayFit: found[2] },
  chosen: delivered[0] + delivered[1],
  delivered: { whole: delivered[0], partly: delivered[1] },
  complete: false,
  ...more,
})
const confirmed = { theirs: 6, who: 'Una Reid', at: '2026-11-28T10:00:00Z' }
const page = (...w: Wanted[]) => ({ contactPerson: 'Edwin Shore', wanted: w }) as unknown as PortalPage

describe("the customer's headline", () => {
  it('says complete only of what was delivered whole and confirmed', () => {
    expect(headline(page(wanted([48, 0, 300], [48, 0])))).toBe('Files that may be yours are here, Edwin.')
    expect(headline(page(wanted([6, 0, 0], [6, 0], { confirmed, complete: true })))).toBe(
      'Your whole list is here, Edwin.',
    )
    expect(
      headline(
        page(wanted([6, 0, 0], [6, 0], { confirmed, complete: true }), wanted([2, 0, 0], [2, 0], { confirmed })),
      ),
    ).toBe('Part of your list is here, Edwin.')
    expect(headline(page(wanted([6, 0, 0], [0, 0])))).toBe('Nothing of your list is in this delivery, Edwin.')
  })
  it('does not count what was found as delivered', () => {
    expect(foundWords(wanted([0, 0, 48], [0, 0], { hopedFor: 40 }))).toBe(
      'We found 0 that fit, and 48 of which nobody can say whether you meant them; you hoped for about 40.',
    )
    expect(deliveredWords(wanted([6, 0, 0], [0, 0]))).toBe('None of it is in this delivery.')
    expect(deliveredWords(wanted([6, 0, 0], [2, 1]))).toBe(
      'In this delivery: 2 whole, 1 with gaps or in doubt. ' +
        'Nobody has confirmed yet that they are the ones you meant; please look.',
    )
    expect(foundWords(wanted([0, 0, 0], [0, 0], { hopedFor: 0 }))).toBe('Nothing of this was found.')
  })
  it('draws unconfirmed matches as what they are', () => {
    expect(partsOf(wanted([0, 0, 9], [3, 0]))).toEqual({ whole: 0, gapped: 0, may: 3, missing: 3 })
    expect(partsOf(wanted([6, 0, 0], [5, 1]))).toEqual({ whole: 5, gapped: 1, may: 0, missing: 0 })
  })
})
