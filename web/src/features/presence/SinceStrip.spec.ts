// @vitest-environment happy-dom
import { mount, RouterLinkStub } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { fakeServer, until } from '@/testing/server'
import SinceStrip from './SinceStrip.vue'

const server = fakeServer()
const NEWS = '/api/cases/BR-1/presence/news'
const shown = () =>
  mount(SinceStrip, { props: { number: 'BR-1', entries: 6 }, global: { stubs: { RouterLink: RouterLinkStub } } })
const did = [
  { number: 4, who: 'Tom Gale', what: 'attached a medium', at: '2026-12-01T10:00:00Z' },
  { number: 5, who: 'Brantel', what: 'finished imaging', at: '2026-12-01T11:00:00Z' },
]

it('says what others did, until it is seen', async () => {
  server.answer(`GET ${NEWS}`, { at: '2026-11-30T10:00:00Z', did, more: 0, upTo: 5 })
  server.answer(`PUT ${NEWS}`, undefined)
  const strip = shown()
  await until(() => expect(strip.text()).toContain('Tom Gale attached a medium'))
  expect(strip.text()).toContain('Brantel finished imaging')
  await strip.find('button').trigger('click')
  expect(strip.text()).toBe('')
  await until(() => expect(server.changes()).toEqual([{ what: `PUT ${NEWS}`, body: { upTo: 6 } }]))
})
it('has seen it too who leaves the case', async () => {
  server.answer(`GET ${NEWS}`, { at: '2026-11-30T10:00:00Z', did, more: 3, upTo: 5 })
  server.answer(`PUT ${NEWS}`, undefined)
  const strip = shown()
  await until(() => expect(strip.text()).toContain('3 more before'))
  strip.unmount()
  await until(() => expect(server.changes()).toHaveLength(1))
})
it('is not there for who comes for the first time, and begins to count', async () => {
  server.answer(`GET ${NEWS}`, { did: [], more: 0, upTo: 7 })
  server.answer(`PUT ${NEWS}`, undefined)
  const strip = shown()
  await until(() => expect(server.changes()).toEqual([{ what: `PUT ${NEWS}`, body: { upTo: 7 } }]))
  expect(strip.text()).toBe('')
})
