import { expect, it } from 'vitest'
import { gapWords } from './gaps'

it('says how much is missing, from where on, and what that means for a picture', () => {
  expect(
    gapWords(
      [
        { from: 0.25, to: 0.3 },
        { from: 0.8, to: 1 },
      ],
      'picture',
    ),
  ).toBe(
    'Hatched: never read, 2 stretches, 25.0 % of its bytes, the first after 25.0 % of its length.' +
      ' What is drawn from there on may be displaced, of other colours, or missing.',
  )
})
it('does not call one stretch the first', () => {
  expect(gapWords([{ from: 0.409, to: 0.526 }], 'text')).toBe(
    'Hatched: never read, one stretch, 11.7 % of its bytes, after 40.9 % of its length. What stands there is missing.',
  )
})
it('says no more than that where nothing is shown', () => {
  expect(gapWords([{ from: 0, to: 0.0004 }], 'none')).toBe(
    'Hatched: never read, one stretch, less than 0.1 % of its bytes, from its first bytes on.',
  )
})
