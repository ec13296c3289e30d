// @vitest-environment happy-dom
import { mount, RouterLinkStub } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { CustomerForm } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import KnownCustomers from './KnownCustomers.vue'

const server = fakeServer()
const HERE = {
  customer: { id: 7, kind: 'person', name: 'Ewan Hollis', preferred: 'phone', ways: [] },
  cases: ['BR-2611-0007', 'BR-2611-0003'],
  why: 'the same phone number',
}
const shown = (customer: Partial<CustomerForm>, editing?: string) =>
  mount(KnownCustomers, {
    props: { customer: { name: '', ways: [], ...customer } as CustomerForm, editing },
    global: { stubs: { RouterLink: RouterLinkStub } },
  })

it('asks whether a name has been here, and takes them at a word', async () => {
  server.answer('POST /api/customers/alike', [HERE])
  const known = shown({ name: 'Ewan Holis' })
  await until(() => expect(known.text()).toContain('the same phone number'))
  expect(known.text()).toContain('and 1 more')
  await known.find('button').trigger('click')
  expect(known.emitted('take')).toEqual([[HERE]])
})
it('asks nothing for two letters', async () => {
  shown({ name: 'Ew' })
  await new Promise((done) => setTimeout(done))
  expect(server.sent).toEqual([])
})
it('says of whom it is that they have been here, and lets go of them', async () => {
  server.answer('GET /api/customers/7', HERE)
  const known = shown({ id: 7, name: 'Ewan Hollis' })
  await until(() => expect(known.text()).toContain('has been here'))
  await known.find('button').trigger('click')
  expect(known.emitted('release')).toHaveLength(1)
})
it('does not count the case that is edited', async () => {
  server.answer('GET /api/customers/7', { ...HERE, cases: ['BR-2611-0007'] })
  const known = shown({ id: 7 }, 'BR-2611-0007')
  await until(() => expect(server.sent).toHaveLength(1))
  expect(known.text()).toBe('')
})
