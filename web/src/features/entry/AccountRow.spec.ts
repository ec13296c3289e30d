// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Account } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import AccountRow from './AccountRow.vue'

const server = fakeServer()
const ewan: Account = {
  login: 'ewan',
  name: 'Ewan Hollis',
  role: 'ENGINEER',
  createdAt: '2026-11-01T09:00:00Z',
  codes: true,
  passkeys: 0,
}
const row = (account = ewan, own = false) => mount(AccountRow, { props: { account, own } })
const press = (shown: ReturnType<typeof row>, words: string) =>
  shown
    .findAll('button')
    .find((b) => b.text() === words)
    ?.trigger('click')

it('shows a link once, with the time until which it holds', async () => {
  server.answer('POST /api/staff/ewan/reset-link', { path: '/new-password#abc', until: '2026-12-03T10:00:00Z' })
  const shown = row()
  await press(shown, 'Link for a new password')
  await until(() => expect(shown.text()).toContain(`${location.origin}/new-password#abc`))
  expect(shown.text()).toContain('until Thu 3 Dec 10:00, and is not shown again.')
})
it('closes an account, and says what a refusal says', async () => {
  const shown = row()
  await press(shown, 'Close the account')
  await until(() => expect(shown.text()).toContain('Closed; their sessions are over.'))
  expect(server.changes()).toEqual([{ what: 'PUT /api/staff/ewan/account', body: { open: false } }])
  server.refuse('PUT /api/staff/ewan/role', 409, 'Ewan Hollis is the only manager who can sign in.')
  await shown.find('select').setValue('MANAGER')
  await until(() => expect(shown.text()).toContain('is the only manager'))
  expect(shown.text()).not.toContain('Now manager')
})
it('offers a closed account nothing but to be opened, and one’s own nothing', () => {
  const closed = row({ ...ewan, disabledAt: '2026-12-01T10:00:00Z' })
  expect(closed.findAll('button').map((b) => b.text())).toEqual(['Open again'])
  expect(row(ewan, true).findAll('button, select')).toHaveLength(0)
})
