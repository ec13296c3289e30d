// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { beforeEach, expect, it } from 'vitest'
import { fakeServer, until } from '@/testing/server'
import PasscodeDoor from './PasscodeDoor.vue'

const server = fakeServer()
const OPEN = 'POST /api/portal/gull/open'

beforeEach(() => server.answer('GET /api/portal/gull/lab', { lab: 'Skerrow Data Recovery', phone: '0148 11 11' }))

it('opens with the passcode', async () => {
  const door = mount(PasscodeDoor, { props: { token: 'gull' } })
  expect(door.find('button[type=submit]').attributes('disabled')).toBeDefined()
  await door.find('#passcode').setValue('1234-5678')
  await door.find('form').trigger('submit')
  await until(() => expect(door.emitted('opened')).toHaveLength(1))
  expect(server.changes()).toEqual([{ what: OPEN, body: { passcode: '1234-5678' } }])
})
it('stays shut and says why', async () => {
  server.refuse(OPEN, 403, 'This is not the passcode; four more tries.')
  const door = mount(PasscodeDoor, { props: { token: 'gull' } })
  await door.find('#passcode').setValue('0')
  await door.find('form').trigger('submit')
  await until(() => expect(door.text()).toContain('four more tries'))
  expect(door.emitted('opened')).toBeUndefined()
})
it('says whom to call', async () => {
  const door = mount(PasscodeDoor, { props: { token: 'gull' } })
  await until(() => expect(door.find('a').attributes('href')).toBe('tel:01481111'))
  expect(door.text()).toContain('Call Skerrow Data Recovery: 0148 11 11')
})
