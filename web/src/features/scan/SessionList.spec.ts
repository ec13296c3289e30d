// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { ScanView } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import SessionList from './SessionList.vue'

const server = fakeServer()
const session = (over: Partial<ScanView> = {}) =>
  ({
    id: 3,
    method: 'structure',
    state: 'done',
    scope: { search: true, again: true, hashes: false },
    counts: { findings: 12 },
    added: 12,
    shared: 0,
    readBytes: 4096,
    startedAt: '2026-11-24T10:00:00Z',
    who: 'Tom Gale',
    ...over,
  }) as unknown as ScanView
const list = (sessions: ScanView[], idle = true) => mount(SessionList, { props: { sessions, idle } })

it('repeats a session', async () => {
  const shown = list([session()])
  await shown.find('[aria-label="Repeat session 3"]').trigger('click')
  await until(() => expect(shown.emitted('started')).toHaveLength(1))
  expect(server.sent[0]?.what).toBe('POST /api/scans/3/repeat')
})
it('repeats nothing while one is at work, nor what was scanned elsewhere', () => {
  expect(list([session()], false).find('button').exists()).toBe(false)
  expect(
    list([session({ importedFrom: 'box.session' })])
      .find('button')
      .exists(),
  ).toBe(false)
})
it('says why it was not repeated', async () => {
  server.refuse('POST /api/scans/3/repeat', 409, 'The image is gone.')
  const shown = list([session()])
  await shown.find('button').trigger('click')
  await until(() => expect(shown.text()).toContain('The image is gone.'))
  expect(shown.emitted('started')).toBeUndefined()
})
