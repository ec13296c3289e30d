import { expect, it } from 'vitest'
import type { Movement } from '@/api/types'
import { isFar } from './movement'

const move: Movement['moves'][0] = {
  path: 'decline',
  label: 'P',
  before: 1,
  after: 5,
  barredBefore: false,
  barredNow: false,
  came: [],
  went: [],
}
const still: Movement = {
  ledBefore: 'decline',
  leadsNow: 'decline',
  moves: [move],
  newStops: [],
  goneStops: [],
}

it('is far when another path leads, one is barred, or a stop rule came', () => {
  expect(isFar(undefined)).toBe(false)
  expect(isFar(still)).toBe(false)
  expect(isFar({ ...still, leadsNow: 'straight-copy' })).toBe(true)
  expect(isFar({ ...still, newStops: ['no-power'] })).toBe(true)
  expect(isFar({ ...still, moves: [{ ...move, barredNow: true }] })).toBe(true)
})
