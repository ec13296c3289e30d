import { expect, it } from 'vitest'
import type { CatalogueLine } from '@/api/types'
import { apart, folded, likeWords } from './alike'

const LAMP = 'f0f0f0f0f0f0f0f00f0f0f0f0f0f0f0f'
const LAMP_SMALL = 'f0f0f0f0f0f0f0f10f0f0f0f0f0f0f03'
const PIER = '00ff00ff00ff00ff3333333333333333'

const picture = (index: number, look?: string, more: object = {}) => ({
  index,
  like: [],
  line: { id: 100 + index, prognosis: 'whole', size: 1000, ...(look && { look }), ...more } as unknown as CatalogueLine,
})
const shape = (pictures: ReturnType<typeof picture>[]) =>
  folded(pictures).map((p) => [p.index, p.like.map((l) => l.index)])

it('counts the bits that differ', () => {
  expect(apart(LAMP, LAMP)).toBe(0)
  expect(apart(LAMP, LAMP_SMALL)).toBe(3)
  expect(apart(LAMP, PIER)).toBeGreaterThan(40)
})
it('folds what looks nearly the same, the largest on top where the first stood', () => {
  expect(shape([picture(0, LAMP_SMALL, { size: 90 }), picture(1, PIER), picture(2, LAMP), picture(3, PIER)])).toEqual([
    [2, [0]],
    [1, [3]],
  ])
})
it('lays what is whole on what is larger but not', () => {
  expect(shape([picture(0, LAMP, { size: 9000, prognosis: 'doubtful' }), picture(1, LAMP)])).toEqual([[1, [0]]])
})
it('folds nothing of which it is not known what it looks like', () => {
  expect(shape([picture(0), picture(1), picture(2, LAMP)])).toEqual([
    [0, []],
    [1, []],
    [2, []],
  ])
})
it('says how many lie beneath', () => {
  expect(likeWords(0)).toBe('')
  expect(likeWords(2)).toBe('+ 2 like it')
})
