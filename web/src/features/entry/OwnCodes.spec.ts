// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { OwnAccount } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import OwnCodes from './OwnCodes.vue'

const server = fakeServer()
const own: OwnAccount = {
  person: { login: 'tom', name: 'Tom Gale', role: 'ENGINEER' },
  codes: false,
  sparesLeft: 0,
  passkeys: [],
}

it('shows the secret, asks for a first code, then shows the spare ones once', async () => {
  server.answer('POST /api/staff/me/codes', {
    secret: 'ABCD',
    address: 'otpauth://x',
    drawing: 'M0 0h1v1h-1z',
    side: 9,
  })
  server.answer('PUT /api/staff/me/codes', { spares: ['aaaa-bbbb-cccc-dddd'] })
  const shown = mount(OwnCodes, { props: { own } })
  await shown.find('input[type=password]').setValue('harbour over gannet')
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.text()).toContain('ABCD'))
  await shown.find('#c-code').setValue('123456')
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.text()).toContain('aaaa-bbbb-cccc-dddd'))
  expect(shown.text()).not.toContain('ABCD')
  expect(shown.emitted('changed')).toHaveLength(1)
  expect(server.changes().map((s) => s.body)).toEqual([{ old: 'harbour over gannet' }, { code: '123456' }])
})
it('asks for the present password before codes end', async () => {
  server.refuse('POST /api/staff/me/codes/end', 400, 'This is not your present password; try again.')
  const shown = mount(OwnCodes, { props: { own: { ...own, codes: true, sparesLeft: 1 } } })
  expect(shown.text()).toContain('One spare code is left')
  const form = shown.findAll('form')[1]
  await form?.find('input').setValue('wrong')
  await form?.trigger('submit')
  await until(() => expect(shown.text()).toContain('not your present password'))
  expect(shown.emitted('changed')).toBeUndefined()
})
