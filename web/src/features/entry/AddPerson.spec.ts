// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { fakeServer, until } from '@/testing/server'
import AddPerson from './AddPerson.vue'

const server = fakeServer()
const ADD = 'POST /api/staff'

it('adds a person with a role and forgets the password', async () => {
  const shown = mount(AddPerson)
  await shown.find('#p-name').setValue('Ewan Hollis')
  await shown.find('#p-login').setValue('ewan')
  await shown.find('#p-role').setValue('ENGINEER')
  await shown.find('#p-pass').setValue('low water mark')
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.emitted('added')).toHaveLength(1))
  expect(server.sent).toEqual([
    { what: ADD, body: { login: 'ewan', name: 'Ewan Hollis', role: 'ENGINEER', password: 'low water mark' } },
  ])
  expect(shown.find<HTMLInputElement>('#p-pass').element.value).toBe('')
})
it('keeps what was typed when it is refused', async () => {
  server.refuse(ADD, 403, 'Only a manager may do this; ask one.')
  const shown = mount(AddPerson)
  await shown.find('#p-name').setValue('Ewan Hollis')
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.text()).toContain('Only a manager may do this'))
  expect(shown.find<HTMLInputElement>('#p-name').element.value).toBe('Ewan Hollis')
})
