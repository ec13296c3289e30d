// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { fakeServer, until } from '@/testing/server'
import CapacityField from './CapacityField.vue'

const server = fakeServer()

it('says every byte of what was typed, or what is wrong with it', async () => {
  server.answer('GET /api/intake/capacity?text=2 TB', { bytes: 2_000_000_000_000 })
  server.refuse('GET /api/intake/capacity?text=much', 400, "'much' is not a capacity; write it like 2 TB.")
  const shown = mount(CapacityField, { props: { wrong: false, modelValue: '2 TB' } })
  await until(() => expect(shown.find('#capacity-bytes').text()).toBe('2,000,000,000,000 B'))
  await shown.setProps({ modelValue: 'much' })
  await until(() => expect(shown.find('#capacity-bytes').text()).toContain('is not a capacity'))
  expect(shown.find('input').attributes('aria-invalid')).toBe('true')
})
it('finds nothing wrong with a capacity that nobody said', async () => {
  const shown = mount(CapacityField, { props: { wrong: false, modelValue: 'much' } })
  server.refuse('GET /api/intake/capacity?text=much', 400, 'not a capacity')
  await until(() => expect(shown.find('#capacity-bytes').text()).toBe('not a capacity'))
  await shown.setProps({ modelValue: ' ' })
  await until(() => expect(shown.find('#capacity-bytes').text()).toBe(''))
  expect(shown.find('input').attributes('aria-invalid')).toBe('false')
  expect(server.sent).toHaveLength(1)
})
it('takes no fault of the server for a fault of the capacity', async () => {
  server.refuse('GET /api/intake/capacity?text=4 GB', 500, 'Something broke.')
  const shown = mount(CapacityField, { props: { wrong: false, modelValue: '4 GB' } })
  await until(() => expect(server.sent).toHaveLength(1))
  expect(shown.find('#capacity-bytes').text()).toBe('')
  expect(shown.find('input').attributes('aria-invalid')).toBe('false')
})
