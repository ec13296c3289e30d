import { expect, it } from 'vitest'
import { hourBars } from './hours'

it('draws the hours in which something was done, beside the busiest of all', () => {
  expect(hourBars([0, 10, 1], 20)).toEqual([
    { x: 12, y: 10, height: 10 },
    { x: 23, y: 17, height: 3 },
  ])
  expect(hourBars([20], 20)).toEqual([{ x: 1, y: 0, height: 20 }])
})
