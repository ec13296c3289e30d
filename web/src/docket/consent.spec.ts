import { expect, it } from 'vitest'
import { agreedTo } from './consent'

it('says what was agreed to and what was not asked', () => {
  expect(agreedTo({ look: '', told: '', mail: false, termsRead: false })).toEqual(['what may be looked at was not asked', 'nobody else is told', 'no e-mail', 'terms were not read out yet'])
  expect(agreedTo({ look: 'names', told: 'the council', mail: true, termsRead: true })).toEqual(['the lab may look at names only', 'may be told: the council', 'e-mail is welcome', 'terms were read out'])
})
