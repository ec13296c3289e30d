import { expect, it } from 'vitest'
import { isFar } from './movement'

const move = { path: 'p', label: 'P', before: 1, after: 5, barredBefore: false, barredNow: false, came: [], went: [] }
const still = { ledBefore: 'p', leadsNow: 'p', moves: [move], newStops: [], goneStops: [] }

it('is far when another path leads, one is barred, or a stop rule came', () => {
  expect(isFar(undefined)).toBe(false)
  expect(isFar(still)).toBe(false)
  expect(isFar({ ...still, leadsNow: 'q' })).toBe(true)
  expect(isFar({ ...still, newStops: ['no-power'] })).toBe(true)
  expect(isFar({ ...still, moves: [{ ...move, barredNow: true }] })).toBe(true)
})
