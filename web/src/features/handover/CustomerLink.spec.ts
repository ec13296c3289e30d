// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Delivery } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import CustomerLink from './CustomerLink.vue'

const server = fakeServer()
const MAKE = 'POST /api/deliveries/5/link'
const shown = (over: Partial<Delivery> = {}) =>
  mount(CustomerLink, {
    props: { delivery: { id: 5, sealedAt: '2026-11-24T10:00:00Z', who: 'Tom Gale', ...over } as Delivery },
  })

it('shows the link and its passcode once', async () => {
  server.answer(MAKE, { path: '/portal/gull', passcode: '1234-5678', expiresAt: '2026-12-08T10:00:00Z' })
  const link = shown()
  expect(link.text()).toContain('no receipt yet')
  await link.find('button').trigger('click')
  await until(() => expect(link.emitted('made')).toHaveLength(1))
  expect(link.find('[data-testid=link]').text()).toContain('/portal/gull')
  expect(link.find('[data-testid=passcode]').text()).toBe('1234-5678')
})
it('warns that a new link ends the one before', () => {
  const link = shown({ linkSentAt: '2026-11-24T11:00:00Z' })
  expect(link.find('button').text()).toContain('Make a new link')
  expect(link.text()).toContain('The one before stops working')
})
it('needs no link any more once receipt is confirmed', () => {
  const receipt = { name: 'Ewan Hollis', at: '2026-11-25T09:00:00Z', checked: 9, equal: 9, compared: true }
  const link = shown({ receipt, files: 9 })
  expect(link.find('button').exists()).toBe(false)
  expect(link.text()).toContain('their browser hashed 9 of 9 files, every one as it was sealed')
})
it('says why none was made', async () => {
  server.refuse(MAKE, 423, 'The case is locked.')
  const link = shown()
  await link.find('button').trigger('click')
  await until(() => expect(link.text()).toContain('The case is locked.'))
  expect(link.find('[data-testid=link]').exists()).toBe(false)
})
it('is withdrawn when asked twice', async () => {
  const withdraw = 'DELETE /api/deliveries/5/link'
  server.answer(withdraw, {})
  const link = shown({ linkSentAt: '2026-11-24T11:00:00Z' })
  await link.find('.away button').trigger('click')
  expect(server.changes()).toEqual([])
  expect(link.text()).toContain('a download under way breaks off')
  await link.find('.away button').trigger('click')
  await until(() => expect(link.emitted('made')).toHaveLength(1))
  expect(server.changes().map((c) => c.what)).toEqual([withdraw])
})
it('has none to withdraw once it is', () => {
  const link = shown({ linkSentAt: '2026-11-24T11:00:00Z', withdrawnAt: '2026-11-24T12:00:00Z' })
  expect(link.find('.away').exists()).toBe(false)
  expect(link.text()).toContain('link withdrawn')
})
