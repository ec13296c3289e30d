// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import type { Docket } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import { handleKey } from '@/ui/keys'
import LayOut from './LayOut.vue'

const server = fakeServer()
const PATH = '/api/cases/BR-1/recovery'
const laid = (over = {}) => ({
  layout: 'as-it-stood',
  opensOn: 'windows',
  sum: { files: 2, bytes: 300, folders: 1, overwritten: 0, room: 4096, changes: { forbidden: 1 } },
  folder: '',
  folders: [{ name: 'Logs', files: 1, bytes: 100, changed: 1 }],
  files: [{ line: 7, name: 'Swarm.txt', from: '/Swarm.txt', size: 200, prognosis: 'whole', changes: [] }],
  more: 0,
  ...over,
})

async function shown(answer: unknown, opensOn?: Docket['opensOn']) {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:all(.*)', component: { template: '<p />' } }],
  })
  await router.push('/')
  const asked = `GET ${PATH}/layout?layout=as-it-stood&opensOn=${opensOn ?? 'every'}`
  server.answer(asked, answer)
  const view = mount(LayOut, {
    props: { docket: { number: 'BR-1', opensOn } as Docket, modelValue: 'as-it-stood' },
    global: { plugins: [router] },
  })
  await until(() => expect(view.text()).toContain('the delivery'))
  return { view, router, asked }
}
const press = (key: string) => handleKey(new KeyboardEvent('keydown', { key }))

it('shows names as they will be, and what of them could not stay', async () => {
  const { view } = await shown(laid(), 'windows')
  expect(view.text()).toContain('1 file with a sign that Windows cannot hold')
  expect(view.text()).toContain('Swarm.txt')
  expect(view.text()).toContain('1 of them')
  expect(view.text()).not.toContain('nobody asked the customer yet')
})
it('opens a folder, and leads back up and out by one key', async () => {
  const { view, asked } = await shown(laid())
  expect(view.text()).toContain('nobody asked the customer yet')
  server.answer(`${asked}&folder=Logs`, laid({ folder: 'Logs', folders: [], files: [] }))
  await view.find('.folder').trigger('click')
  await until(() => expect(view.find('[aria-label="Folder"]').text()).toContain('Logs'))
  press('Escape')
  await until(() => expect(view.find('[aria-label="Folder"]').text()).not.toContain('Logs'))
  press('Escape')
  expect(view.emitted('leave')).toHaveLength(1)
})
it('recovers as it is laid out, and says what does not fit', async () => {
  const { view, router } = await shown(
    laid({ sum: { files: 2, bytes: 9000, folders: 1, overwritten: 1, room: 4096, changes: {} } }),
    'mac',
  )
  expect(view.text()).toContain('It does not fit')
  expect(view.text()).toContain('1 overwritten: nothing of them is left to write')
  server.answer(`POST ${PATH}`, { id: 3 })
  press('r')
  await until(() => expect(router.currentRoute.value.path).toBe('/cases/BR-1/recovery'))
  expect(server.changes()).toEqual([{ what: `POST ${PATH}`, body: { layout: 'as-it-stood', opensOn: 'mac' } }])
})
