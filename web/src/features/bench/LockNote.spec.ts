// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { LockState } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import LockNote from './LockNote.vue'

const server = fakeServer()
const locks = (release?: object) =>
  ({
    untouchable: release ? [] : ['A stop rule forbids powering this device: it clicks.'],
    rules: [{ code: 'no-power', forbids: true, say: 'Do not power it.', because: [], release }],
  }) as unknown as LockState
const note = (state: LockState) => mount(LockNote, { props: { number: 'BR-1', locks: state } })

it('says nothing where nothing is locked', () => {
  expect(note({ untouchable: [], rules: [] } as unknown as LockState).text()).toBe('')
})
it('releases a rule only with a reason', async () => {
  const shown = note(locks())
  expect(shown.text()).toContain('Do not touch the device.')
  expect(shown.find('button').attributes('disabled')).toBeDefined()
  await shown.find('input').setValue('its heads were changed')
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.emitted('changed')).toHaveLength(1))
  expect(server.sent).toEqual([
    { what: 'POST /api/cases/BR-1/locks/releases', body: { rule: 'no-power', reason: 'its heads were changed' } },
  ])
})
it('takes a release back', async () => {
  const shown = note(locks({ who: 'Petra Lunn', at: '2026-11-24T09:00:00Z', reason: 'heads changed' }))
  await shown.find('button').trigger('click')
  await until(() => expect(shown.emitted('changed')).toHaveLength(1))
  expect(server.sent[0]?.what).toBe('DELETE /api/cases/BR-1/locks/releases/no-power')
})
