import { expect, it } from 'vitest'
import type { CatalogueLine } from '@/api/types'
import { chosenIn, lineBefore, linesOf, madeStale, renewed, staleBetween, type Page } from './pages'

const some = (...ids: number[]) => ids.map((id) => ({ id, selected: false }) as unknown as CatalogueLine)
const pages: Page[] = [some(1, 2), some(3, 4), some(5, 6), some(7)].map((lines) => ({ lines, stale: false }))
const ids = (all: readonly Page[]) => linesOf(all).map((l) => l.id)

it('fetches anew only what is looked at', () => {
  const stale = madeStale(pages)
  expect(staleBetween(pages, 0, 6)).toBe(-1)
  expect(staleBetween(stale, 0, 1)).toBe(-1)
  expect(staleBetween(stale, 3, 5)).toBe(1)
  expect(staleBetween(stale, 4, 4)).toBe(2)
  expect(staleBetween(stale, 6, 6)).toBe(3)
  expect(lineBefore(stale, 2)).toBe(4)
})
it('knows that a page begins elsewhere once the one before it ends elsewhere', () => {
  const same = renewed(pages, 1, some(3, 4))
  expect(same.map((p) => p.stale)).toEqual([false, false, false, false])
  const more = renewed(pages, 1, some(30, 3))
  expect(more.map((p) => p.stale)).toEqual([false, false, true, false])
  expect(ids(more)).toEqual([1, 2, 30, 3, 5, 6, 7])
})
it('has each line once, and no page without any', () => {
  expect(ids(renewed(pages, 1, some(4, 5)))).toEqual([1, 2, 4, 5, 6, 7])
  expect(renewed(pages, 3, [])).toHaveLength(3)
})
it('shows what was chosen further down; the first page is as the server says', () => {
  const chosen = linesOf(chosenIn(pages, [2, 6], true))
  expect(chosen.filter((l) => l.selected).map((l) => l.id)).toEqual([6])
})
