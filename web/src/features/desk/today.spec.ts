import { expect, it } from 'vitest'
import { todayWords } from './today'

it('says how much has a time, and when not all of it is shown', () => {
  const words = (shown: number, timed: number) => todayWords({ today: Array(shown).fill(0), timed })
  expect(words(0, 0)).toBe('nothing has a time')
  expect(words(1, 1)).toBe('one thing has a time')
  expect(words(3, 3)).toBe('3 things have a time')
  expect(words(12, 57)).toBe('12 of 57 that have a time, promises first')
})
