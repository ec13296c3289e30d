// @vitest-environment happy-dom
import { afterEach, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { until } from '@/testing/server'
import { EVERYTHING } from './filter'
import { useCatalogue, type Catalogue } from './useCatalogue'

/** Six findings, two on a page, and what is chosen of them. */
const chosen = new Set<number>()
let gone: number | undefined
/** The finding of which more is known than before. */
let remarked: number | undefined
function page(after: number): object {
  const all = [1, 2, 3, 4, 5, 6].filter((id) => id !== gone)
  const lines = all
    .filter((id) => id > after)
    .slice(0, 2)
    .map((id) => ({ id, selected: chosen.has(id), ...(id === remarked && { look: 'lamp' }) }))
  return { lines, matching: all.length, all: all.length, exact: true, selection: { files: chosen.size } }
}
const scopes: EffectScope[] = []
function catalogue(): Catalogue {
  chosen.clear()
  gone = undefined
  remarked = undefined
  vi.stubGlobal('fetch', async (request: Request) => {
    const url = new URL(request.url)
    if (request.method === 'PUT') {
      const { ids, selected } = (await request.json()) as { ids: number[]; selected: boolean }
      ids.forEach((id) => (selected ? chosen.add(id) : chosen.delete(id)))
      return Response.json({ change: 1, changed: ids.length })
    }
    const after = Number(url.searchParams.get('after') ?? 0)
    return Response.json(page(after))
  })
  const scope = effectScope()
  scopes.push(scope)
  return scope.run(() => useCatalogue('BR-1', EVERYTHING))!
}
afterEach(() => {
  scopes.splice(0).forEach((s) => s.stop())
  vi.unstubAllGlobals()
})
const ids = (c: Catalogue): number[] => c.lines.value.map((l) => l.id)
async function opened(pages: number): Promise<Catalogue> {
  const c = catalogue()
  await until(() => expect(ids(c)).toEqual([1, 2]))
  for (let i = 1; i < pages; i++) await c.more()
  return c
}

it('keeps what was fetched below when something of it is chosen', async () => {
  const c = await opened(3)
  expect(ids(c)).toEqual([1, 2, 3, 4, 5, 6])
  await c.select([5], true)
  await until(() => expect(c.page.value?.selection.files).toBe(1))
  await until(() => expect(c.lines.value.filter((l) => l.selected).map((l) => l.id)).toEqual([5]))
  expect(ids(c)).toEqual([1, 2, 3, 4, 5, 6])
})
it('sees below what somebody else chose', async () => {
  const c = await opened(3)
  c.look(2, 3)
  chosen.add(4)
  await c.live.refresh()
  await until(() => expect(c.lines.value.find((l) => l.id === 4)?.selected).toBe(true))
  expect(ids(c)).toEqual([1, 2, 3, 4, 5, 6])
})
it('fetches anew further down when it is told to', async () => {
  const c = await opened(3)
  c.look(2, 5)
  remarked = 6
  await c.refresh()
  await until(() => expect(c.lines.value.at(-1)?.look).toBe('lamp'))
  expect(c.lines.value.filter((l) => l.look)).toHaveLength(1)
})
it('goes on without what is gone', async () => {
  const c = await opened(3)
  c.look(0, 5)
  gone = 4
  chosen.add(1)
  await c.live.refresh()
  await until(() => expect(ids(c)).toEqual([1, 2, 3, 5, 6]))
})
it('goes on to its end where somebody looks near it', async () => {
  const c = await opened(1)
  expect(c.rest.value).toBe('more')
  c.look(0, 1)
  await until(() => expect(ids(c)).toEqual([1, 2, 3, 4, 5, 6]))
  expect(c.rest.value).toBe('none')
})
it('begins anew with another question', async () => {
  const c = await opened(3)
  c.filter.value = { ...c.filter.value, q: 'tide' }
  await until(() => expect(ids(c)).toEqual([1, 2]))
})
