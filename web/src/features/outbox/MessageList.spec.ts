// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Message } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import MessageList from './MessageList.vue'

const server = fakeServer()
const message = (id: number, state: Message['state']) =>
  ({
    id,
    state,
    caseNumber: `BR-${id}`,
    letter: 'decided',
    subject: `Your case BR-${id}`,
    body: 'Dear customer',
    recipient: 'a@skerrow.example',
    queuedAt: '2026-11-24T09:00:00Z',
    attempts: 0,
  }) as unknown as Message
const list = (messages: Message[], route = true) =>
  mount(MessageList, {
    props: { outbox: { messages: { items: messages, total: messages.length, page: 0, size: 200 }, route } },
    global: { stubs: { RouterLink: true } },
  })

it('holds back what has not gone, sends after all what was held back, and leaves what went', async () => {
  const shown = list([message(1, 'queued'), message(2, 'cancelled'), message(3, 'sent')])
  const rows = shown.findAll('tbody')
  expect(rows.map((r) => r.findAll('.btn').map((b) => b.text()))).toEqual([
    ['Hold back', 'Try now'],
    ['Send after all'],
    [],
  ])
  await rows[0]!.findAll('.btn')[0]!.trigger('click')
  await rows[1]!.find('.btn').trigger('click')
  await until(() => expect(shown.emitted('changed')).toHaveLength(2))
  expect(server.sent.map((s) => s.what)).toEqual(['POST /api/outbox/1/cancel', 'POST /api/outbox/2/retry'])
})
it('opens one letter at a time', async () => {
  const shown = list([message(1, 'sent'), message(2, 'sent')])
  const [first, second] = shown.findAll('[aria-expanded]')
  await first!.trigger('click')
  await second!.trigger('click')
  expect(shown.findAll('[aria-expanded]').map((b) => b.attributes('aria-expanded'))).toEqual(['false', 'true'])
  expect(shown.findAll('pre')).toHaveLength(1)
})
it('says that no mail server is set, and that nothing was written yet', () => {
  const shown = list([], false)
  expect(shown.text()).toContain('No mail server is set.')
  expect(shown.text()).toContain('Nothing was written yet.')
})
