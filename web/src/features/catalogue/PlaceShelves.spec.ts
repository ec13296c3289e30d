// @vitest-environment happy-dom
import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { handleKey } from '@/ui/keys'
import { EVERYTHING, placeInQuery } from './filter'
import PlaceShelves from './PlaceShelves.vue'

const holds = { lines: 4, bytes: 4096, whole: 3 }
const CASE = {
  behind: [],
  own: holds,
  shelves: [{ folders: [1], name: '', volume: '3:0', holds, fits: [] }],
  further: 0,
  nameless: { jpg: holds },
  days: [{ from: '2021-05-01', to: '2021-05-31', holds }],
  undated: { ...holds, lines: 7 },
}
const INSIDE = {
  path: '',
  behind: [{ folders: [1], name: '' }],
  own: holds,
  shelves: [
    { folders: [2], name: 'Band', holds, fits: [] },
    { folders: [3], name: 'Tide', holds, fits: [] },
  ],
  further: 12,
  nameless: {},
  days: [],
  undated: { lines: 0, bytes: 0, whole: 0 },
}
const SCANS = [
  {
    id: 3,
    report: { volumes: [{ index: 0, startByte: 0, lengthBytes: 4096, fs: 'fat32', state: 'live', label: 'HIVES' }] },
  },
]

const answers = vi.fn()
beforeEach(() => {
  answers.mockImplementation((url: string) =>
    url.includes('/scans') ? SCANS : url.includes('folder=') ? INSIDE : CASE,
  )
  vi.stubGlobal('fetch', async (request: Request | string) =>
    Response.json(await answers(typeof request === 'string' ? request : request.url)),
  )
})

async function shown(folder?: string) {
  const router = createRouter({ history: createMemoryHistory(), routes: [{ path: '/', component: PlaceShelves }] })
  await router.push({ path: '/', query: folder ? { folder } : {} })
  const filter = () => ({ ...EVERYTHING, ...placeInQuery(router.currentRoute.value.query) })
  const walk = mount(PlaceShelves, {
    props: { number: 'BR-1', filter: filter(), wanted: [] },
    global: { plugins: [router] },
    attachTo: document.body,
  })
  router.afterEach(() => void walk.setProps({ filter: filter() }))
  await vi.waitFor(() => expect(walk.findAll('.shelf').length).toBeGreaterThan(0))
  await flushPromises()
  return { router, walk }
}

it('opens a volume into its folders, and names where one came from', async () => {
  const { router, walk } = await shown()
  expect(walk.findAll('.shelf').map((s) => s.find('b').text())).toEqual(['HIVES', 'no name kept'])
  await walk.find('.shelf').trigger('click')
  await vi.waitFor(() => expect(walk.text()).toContain('Tide'))
  expect(router.currentRoute.value.query.folder).toBe('1')
  expect(walk.findAll('.left').map((l) => l.text())).toEqual(['the case', 'HIVES'])
  expect(walk.text()).toContain('12 more folders')
  walk.unmount()
})

it('is walked by keys: along the shelves, in, and up again', async () => {
  const { router, walk } = await shown('1')
  handleKey(new KeyboardEvent('keydown', { key: 'w', cancelable: true }))
  expect(document.activeElement?.textContent).toContain('Band')
  await walk.find('.shelf').trigger('keydown', { key: 'ArrowRight' })
  expect(document.activeElement?.textContent).toContain('Tide')
  handleKey(new KeyboardEvent('keydown', { key: 'Backspace', cancelable: true }))
  await flushPromises()
  expect(router.currentRoute.value.query.folder).toBeUndefined()
  walk.unmount()
})

it('goes up from where it is, though what lies there is still on its way', async () => {
  const { router, walk } = await shown('1')
  answers.mockImplementation(() => new Promise(() => undefined) as never)
  await router.push({ query: { folder: '2' } })
  handleKey(new KeyboardEvent('keydown', { key: 'Backspace', cancelable: true }))
  await flushPromises()
  expect(router.currentRoute.value.query.folder).toBe('1')
  walk.unmount()
})

it('shows what no record names by kind, and narrows to one', async () => {
  const { walk } = await shown('none')
  expect(walk.findAll('.shelf').map((s) => s.find('b').text())).toEqual(['jpg', 'May 2021'])
  await walk.find('.shelf').trigger('click')
  expect(walk.emitted('kind')).toEqual([['jpg']])
  await walk.findAll('.shelf')[1]!.trigger('click')
  expect(walk.emitted('days')).toEqual([['2021-05-01', '2021-05-31']])
  expect(walk.text()).toContain('7 more say no day.')
  walk.unmount()
})
