// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { AllSettings } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import ClockSettings from './ClockSettings.vue'

const server = fakeServer()
const SETTINGS = { clocks: { hours: { received: 24, triaged: 48 } } } as unknown as AllSettings
const shown = (mayChange: boolean) => mount(ClockSettings, { props: { settings: SETTINGS, mayChange } })

it('saves the clocks that there are; an empty one is none', async () => {
  const clocks = shown(true)
  await clocks.find('#clock-received').setValue(12)
  await clocks.find('#clock-triaged').setValue('')
  await clocks.find('form').trigger('submit')
  await until(() => expect(clocks.text()).toContain('Saved.'))
  expect(server.sent).toEqual([{ what: 'PUT /api/settings/clocks', body: { hours: { received: 12 } } }])
  expect(clocks.emitted('saved')).toHaveLength(1)
})
it('keeps what was entered when it is refused', async () => {
  server.refuse('PUT /api/settings/clocks', 400, 'A clock has at most 10000 hours.')
  const clocks = shown(true)
  await clocks.find('#clock-received').setValue(20000)
  await clocks.find('form').trigger('submit')
  await until(() => expect(clocks.text()).toContain('at most 10000 hours'))
  expect(clocks.find<HTMLInputElement>('#clock-received').element.value).toBe('20000')
})
it('is for looking only to who may not change it', () => {
  const clocks = shown(false)
  expect(clocks.find('fieldset').attributes('disabled')).toBeDefined()
  expect(clocks.find('button').exists()).toBe(false)
})
