// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { ImagingView } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import SessionLimits from './SessionLimits.vue'

const server = fakeServer()
const LIMITS = { faultsInRow: 20, faultsInAll: 5000, growth: 10, celsius: 55, minutes: 0 }
const shown = (state: string) =>
  mount(SessionLimits, {
    props: { session: { id: 4, state, limits: LIMITS, rateLimit: 8 * 1048576 } as unknown as ImagingView },
  })

it('changes limits and rate together', async () => {
  const limits = shown('running')
  await limits.find('button').trigger('click')
  await limits.find('form').trigger('submit')
  await until(() => expect(limits.emitted('changed')).toHaveLength(1))
  expect(server.sent).toEqual([{ what: 'POST /api/imaging/4/bounds', body: { limits: LIMITS, mibPerSecond: 8 } }])
  expect(limits.find('form').exists()).toBe(false)
})
it('stays open with what was entered when it is refused', async () => {
  server.refuse('POST /api/imaging/4/bounds', 409, 'The session has ended.')
  const limits = shown('running')
  await limits.find('button').trigger('click')
  await limits.find('form').trigger('submit')
  await until(() => expect(limits.text()).toContain('The session has ended.'))
  expect(limits.find('form').exists()).toBe(true)
})
it('ends with what is read when that is enough', async () => {
  const limits = shown('paused')
  await limits.find('button').trigger('click')
  await limits.find('form .linkish').trigger('click')
  expect(limits.emitted('enough')).toHaveLength(1)
})
it('only shows them when the session is done', () => {
  expect(shown('done').find('button').exists()).toBe(false)
})
