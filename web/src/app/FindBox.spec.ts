// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { fakeServer, until } from '@/testing/server'
import FindBox from './FindBox.vue'

const server = fakeServer()
const nothing = { template: '<p />' }

async function box() {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:all(.*)*', component: nothing }],
  })
  await router.push('/desk')
  const shown = mount(FindBox, { global: { plugins: [router] }, attachTo: document.body })
  return { shown, router, input: shown.find('input') }
}

it('finds a case by anything of it and opens it by the keyboard alone', async () => {
  server.answer('GET /api/find?q=0148', [
    { label: 'BR-1', hint: 'hives', by: [], to: '/cases/BR-1', near: false },
    { label: 'BR-2', hint: 'nets', by: ['nets'], to: '/cases/BR-2', near: true },
  ])
  const { shown, router, input } = await box()
  window.dispatchEvent(new KeyboardEvent('keydown'))
  document.dispatchEvent(new KeyboardEvent('keydown', { key: 'k', ctrlKey: true }))
  expect(document.activeElement).toBe(input.element)
  await input.setValue('0148')
  await until(() => expect(shown.findAll('li').map((l) => l.text())[0]).toContain('BR-1'))
  expect(shown.text()).toContain('nearly: “nets” · nets')
  await input.trigger('keydown', { key: 'ArrowDown' })
  expect(shown.find('[aria-selected="true"]').text()).toContain('BR-2')
  await input.trigger('keydown', { key: 'Enter' })
  await until(() => expect(router.currentRoute.value.fullPath).toBe('/cases/BR-2'))
  expect(input.element.value).toBe('')
  shown.unmount()
})
it('still offers rooms and actions when nothing answers, and says when nothing matches', async () => {
  server.refuse('GET /api/find?q=bench', 502, 'down')
  const { shown, input } = await box()
  await input.setValue('bench')
  await until(() => expect(server.sent).toHaveLength(1))
  expect(shown.text()).toContain('Bench')
  await input.setValue('zzz')
  server.answer('GET /api/find?q=zzz', [])
  await until(() => expect(shown.text()).toContain('Nothing matches “zzz”.'))
  shown.unmount()
})
it('goes by what was typed, not by the answer to a part of it that is still shown', async () => {
  server.answer('GET /api/find?q=ga', [{ label: 'BR-1', hint: 'Gate', by: [], to: '/cases/BR-1', near: false }])
  server.answer('GET /api/find?q=gannet', [{ label: 'BR-2', hint: 'Gannet', by: [], to: '/cases/BR-2', near: false }])
  const { shown, router, input } = await box()
  await input.trigger('focus')
  await input.setValue('ga')
  await until(() => expect(shown.text()).toContain('Gate'))
  await input.setValue('gannet')
  await input.trigger('keydown', { key: 'Enter' })
  expect(router.currentRoute.value.fullPath).toBe('/desk')
  await until(() => expect(router.currentRoute.value.fullPath).toBe('/cases/BR-2'))
  shown.unmount()
})
it('waits with “nothing” until that is known, and forgets an Enter that was typed over', async () => {
  server.answer('GET /api/find?q=zz', [])
  server.answer('GET /api/find?q=zzt', [{ label: 'BR-3', hint: '', by: [], to: '/cases/BR-3', near: false }])
  const { shown, router, input } = await box()
  await input.trigger('focus')
  await input.setValue('zz')
  expect(shown.text()).toContain('Looking for “zz” …')
  await input.trigger('keydown', { key: 'Enter' })
  await input.setValue('zzt')
  await until(() => expect(shown.text()).toContain('BR-3'))
  expect(router.currentRoute.value.fullPath).toBe('/desk')
  shown.unmount()
})
