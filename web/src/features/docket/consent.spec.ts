import { expect, it } from 'vitest'
import { agreedTo, lookWords, widerThan } from './consent'

it('says what was agreed to and what was not asked', () => {
  expect(agreedTo({ look: '', told: '', mail: false, termsRead: false })).toEqual([
    'what may be looked at was not asked',
    'nobody else is told',
    'no e-mail',
    'terms were not read out yet',
  ])
  expect(agreedTo({ look: 'names', told: 'the council', mail: true, termsRead: true })).toEqual([
    'the lab may look at names only',
    'may be told: the council',
    'e-mail is welcome',
    'terms were read out',
  ])
})

it('offers only what goes further', () => {
  expect(widerThan('')).toEqual(['previews', 'contents'])
  expect(widerThan('names')).toEqual(['previews', 'contents'])
  expect(widerThan('previews')).toEqual(['contents'])
  expect(widerThan('contents')).toEqual([])
  expect(lookWords('names')).toBe('file names only')
})
