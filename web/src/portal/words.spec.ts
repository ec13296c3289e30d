import { describe, expect, it } from 'vitest'
import type { PortalPage } from '@/api/types'
import { foundWords, headline } from './words'

const wanted = (whole: number, gapped: number, missing: number) => ({ line: 1, words: 'w', mustHave: true, hopedFor: whole + gapped + missing, whole, gapped, missing })
const page = (...w: ReturnType<typeof wanted>[]) => ({ contactPerson: 'Edwin Shore', wanted: w }) as unknown as PortalPage

describe('the customer\'s headline', () => {
  it('never promises more than was found', () => {
    expect(headline(page(wanted(5, 0, 0)))).toBe('Your whole list is here, Edwin.')
    expect(headline(page(wanted(4, 1, 2)))).toBe('Most of your list is here, Edwin.')
    expect(headline(page(wanted(1, 0, 9)))).toBe('Some of your list is here, Edwin.')
    expect(headline(page(wanted(0, 0, 9)))).toBe('We found nothing of your list, Edwin.')
  })
  it('says what is missing of a line', () => {
    expect(foundWords(wanted(2, 1, 3))).toBe('2 whole, 1 with gaps or in doubt, 3 not found, of about 6 that you hoped for.')
    expect(foundWords({ ...wanted(0, 0, 0), hopedFor: 0 })).toBe('Nothing of this was found.')
  })
})
