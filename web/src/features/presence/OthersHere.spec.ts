// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { fakeServer, until } from '@/testing/server'
import OthersHere from './OthersHere.vue'

const server = fakeServer()
const PRESENCE = 'PUT /api/cases/BR-1/presence'
const here = () => mount(OthersHere, { props: { number: 'BR-1', place: 'triaged' } })

it('says who else looks at the case, and where', async () => {
  server.answer(PRESENCE, [
    { login: 'tom', name: 'Tom Gale', place: 'imaging' },
    { login: 'petra', name: 'Petra Lind', place: 'triaged' },
  ])
  const shown = here()
  await until(() => expect(shown.text()).toContain('Tom Gale is here, too, at imaging, Petra Lind is here, too'))
  expect(server.sent[0]?.body).toEqual({ place: 'triaged' })
})
it('says where one is when one goes on, and when one leaves', async () => {
  server.answer(PRESENCE, [])
  const shown = here()
  await until(() => expect(server.sent).toHaveLength(1))
  await shown.setProps({ place: 'notes' })
  await until(() => expect(server.sent.at(-1)?.body).toEqual({ place: 'notes' }))
  expect(shown.text()).toBe('')
  shown.unmount()
  await until(() => expect(server.sent.at(-1)?.what).toBe('DELETE /api/cases/BR-1/presence'))
})
it('claims nobody where the server refuses', async () => {
  server.refuse(PRESENCE, 404, 'There is no such case.')
  const shown = here()
  await until(() => expect(server.sent).toHaveLength(1))
  expect(shown.text()).toBe('')
})
