// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { fakeServer, until } from '@/testing/server'
import HealthEntry from './HealthEntry.vue'

const server = fakeServer()
const HEALTH = 'POST /api/cases/BR-2611-0007/health'
const entry = () => mount(HealthEntry, { props: { number: 'BR-2611-0007' } })

it('records only what was read off', async () => {
  const reading = entry()
  await reading.find('#hr-celsius').setValue(41)
  await reading.find('#hr-pending').setValue(8)
  await reading.find('#hr-reallocated').setValue('')
  await reading.find('form').trigger('submit')
  await until(() => expect(reading.emitted('recorded')).toHaveLength(1))
  const body = server.sent[0]?.body as Record<string, unknown>
  expect(Object.keys(body)).toEqual(['celsius', 'pending'])
})
it('says which number is impossible, and keeps them all', async () => {
  server.refuse(HEALTH, 400, 'A temperature of 410 °C is not possible.')
  const reading = entry()
  await reading.find('#hr-celsius').setValue(410)
  await reading.find('form').trigger('submit')
  await until(() => expect(reading.text()).toContain('410 °C is not possible'))
  expect(reading.find<HTMLInputElement>('#hr-celsius').element.value).toBe('410')
  expect(reading.emitted('recorded')).toBeUndefined()
})
