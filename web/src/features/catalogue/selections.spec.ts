import { expect, it } from 'vitest'
import { effect } from './selections'

it('says what a change did', () => {
  expect(effect({ chosen: 1200, givenUp: 0 })).toBe('1,200 more,')
  expect(effect({ chosen: 2, givenUp: 3 })).toBe('2 more, 3 fewer,')
})
