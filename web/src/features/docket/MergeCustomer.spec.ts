// @vitest-environment happy-dom
import { mount, RouterLinkStub } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Docket } from '@/api/types'
import { useUndo } from '@/api/undo'
import { fakeServer, until } from '@/testing/server'
import MergeCustomer from './MergeCustomer.vue'

const server = fakeServer()
const ALIKE = 'POST /api/customers/alike'
const MERGE = 'POST /api/customers/merges'
const record = (id: number, name: string) => ({
  customer: { id, kind: 'person', name, preferred: 'phone', ways: [] },
  cases: ['BR-2611-0003'],
  why: 'the same phone number',
})
const shown = () =>
  mount(MergeCustomer, {
    props: { docket: { version: 1, customer: { id: 7, name: 'Ewan Hollis', ways: [] } } as unknown as Docket },
    global: { stubs: { RouterLink: RouterLinkStub } },
  })

it('asks about others alike, not about the customer itself', async () => {
  server.answer(ALIKE, [record(7, 'Ewan Hollis'), record(9, 'E. Hollis')])
  const merge = shown()
  await until(() => expect(merge.findAll('button')).toHaveLength(1))
  expect(merge.text()).toContain('Is this E. Hollis?')
})
it('makes them one, and offers to undo it', async () => {
  server.answer(ALIKE, [record(9, 'E. Hollis')])
  server.answer(MERGE, { id: 3, moved: ['BR-2611-0003'], kept: { name: 'E. Hollis' } })
  const merge = shown()
  await until(() => expect(merge.find('button').exists()).toBe(true))
  await merge.find('button').trigger('click')
  await until(() => expect(merge.emitted('changed')).toHaveLength(1))
  expect(server.changes().find((s) => s.what === MERGE)?.body).toEqual({ keep: 9, merge: 7 })
  expect(useUndo().newest.value?.words).toBe('One case went over to E. Hollis.')
})
it('says why it was refused', async () => {
  server.answer(ALIKE, [record(9, 'E. Hollis')])
  server.refuse(MERGE, 409, 'Somebody joined them a moment ago.')
  const merge = shown()
  await until(() => expect(merge.find('button').exists()).toBe(true))
  await merge.find('button').trigger('click')
  await until(() => expect(merge.text()).toContain('Somebody joined them'))
  expect(merge.emitted('changed')).toBeUndefined()
})
