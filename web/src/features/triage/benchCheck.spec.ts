import { expect, it } from 'vitest'
import type { Docket } from '@/api/types'
import { answersOf, startOf } from './benchCheck'

it('starts from what was observed and sends what was answered, in the order of the form', () => {
  const facts = [
    { code: 'bench.read', value: 'clean', source: 'observed', measured: true },
    { code: 'symptom.noise', value: 'none', source: 'observed', measured: false },
    { code: 'bench.detected', value: 'yes', source: 'told', measured: false },
  ] as Docket['facts']
  const start = startOf(facts)
  expect(start).toEqual({ 'bench.read': { value: 'clean', measured: true } })
  expect(answersOf({ ...start, 'bench.detected': { value: 'yes', measured: false } }).map((a) => a.code)).toEqual([
    'bench.detected',
    'bench.read',
  ])
  expect(answersOf({})).toEqual([])
})
