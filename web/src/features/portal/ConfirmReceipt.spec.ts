// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { PortalFile, PortalPage } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import ConfirmReceipt from './ConfirmReceipt.vue'

const server = fakeServer()
const PAGE = { contactPerson: 'Ewan Hollis' } as PortalPage
const RESULTS = new Map([
  [4, { line: { number: 4 } as PortalFile, verdict: 'equal' as const, why: '', sha256: 'c0ffee' }],
  [5, { line: { number: 5 } as PortalFile, verdict: 'differs' as const, why: 'It could not be read.' }],
])
const shown = (differs: number, waiting: number, page = PAGE) =>
  mount(ConfirmReceipt, {
    props: {
      token: 'gull',
      page,
      busy: false,
      results: RESULTS,
      sum: { checked: 9, equal: 9 - differs, differs, waiting },
    },
  })

it('puts down what was computed', async () => {
  const receipt = shown(0, 3)
  expect(receipt.text()).toContain('3 files are not checked yet')
  await receipt.find('form').trigger('submit')
  await until(() => expect(receipt.emitted('confirmed')).toHaveLength(1))
  expect(server.sent[0]).toEqual({
    what: 'POST /api/portal/gull/receipt',
    body: { name: 'Ewan Hollis', seen: [{ number: 4, sha256: 'c0ffee' }] },
  })
})
it('says plainly that nothing was checked', () => {
  const receipt = mount(ConfirmReceipt, {
    props: {
      token: 'gull',
      page: PAGE,
      busy: false,
      results: new Map(),
      sum: { checked: 0, equal: 0, differs: 0, waiting: 12 },
    },
  })
  expect(receipt.text()).toContain('Nothing has been checked yet')
  expect(receipt.find('button[type=submit]').text()).toBe('Confirm without a check')
})
it('cannot be given while a file differs', () => {
  const receipt = shown(1, 0)
  expect(receipt.text()).toContain('1 file differs from the list')
  expect(receipt.find('button[type=submit]').attributes('disabled')).toBeDefined()
})
it('says what was confirmed', () => {
  const receipt = shown(0, 0, {
    ...PAGE,
    receipt: { name: 'Ewan Hollis', at: '2026-11-24T10:00:00Z', checked: 9, equal: 9, compared: true },
  })
  expect(receipt.text().replace(/\s+/g, ' ')).toContain('9 of 9 checked files were equal')
  expect(receipt.find('form').exists()).toBe(false)
})
