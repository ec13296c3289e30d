// @vitest-environment happy-dom
import { mount, RouterLinkStub } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Arrival } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import ArrivalSheet from './ArrivalSheet.vue'

const server = fakeServer()
const FINGERPRINT = 'ab12'.repeat(16)

function arrival(id: number, more: object = {}): Arrival {
  return {
    id,
    name: 'from-there.zip',
    bytes: 11_290,
    sha256: FINGERPRINT,
    state: 'looked-at',
    who: 'Una',
    at: '2026-12-01T10:00:00Z',
    says: {
      lab: 'Lab of the salt works',
      fingerprint: FINGERPRINT,
      number: 'BR-2612-0009',
      packed: '2026-12-01T09:00:00Z',
      by: 'Tom Ryle',
      why: 'heads',
      customer: 'Ada Quill',
      devices: ['hdd Sturm B2 S-1'],
      brings: [{ what: 'facts', all: 7, fresh: 7 }],
      custody: [{ lab: 'Lab of the salt works', number: 'BR-2612-0009', entries: 12, trouble: [] }],
      differs: [],
      ...more,
    },
  } as unknown as Arrival
}
const shown = (a: Arrival) =>
  mount(ArrivalSheet, { props: { arrival: a }, global: { stubs: { RouterLink: RouterLinkStub } } })

it('asks who compared a key that nobody compared yet, before anything comes in', async () => {
  const sheet = shown(arrival(1))
  expect(sheet.text()).toContain('ab12 ab12')
  const bring = sheet.findAll('button').find((b) => b.text() === 'Bring it in')!
  expect(bring.attributes('disabled')).toBeDefined()
  await sheet.find('#compared').setValue('Petra, on their number')
  server.answer('POST /api/arrivals/1/bring-in', { ...arrival(1), state: 'brought-in' })
  await bring.trigger('click')
  await until(() => expect(sheet.emitted('decided')).toHaveLength(1))
  expect(server.changes()[0]).toMatchObject({ body: { compared: 'Petra, on their number' } })
})
it('does not ask again for a lab that is known, and says what is wrong and what differs', () => {
  const sheet = shown(
    arrival(2, {
      known: { lab: 'x', compared: 'by phone', who: 'Una', at: '2026-11-01T10:00:00Z' },
      here: 'BR-2612-0003',
      custody: [{ lab: 'Ours', number: 'BR-2612-0003', entries: 3, trouble: ['Entry 2 is missing.'] }],
      differs: ['Needed by: 2026-12-24 there, nothing here.'],
    }),
  )
  expect(sheet.find('#compared').exists()).toBe(false)
  expect(
    sheet
      .findAll('button')
      .find((b) => b.text() === 'Bring it in')!
      .attributes('disabled'),
  ).toBeUndefined()
  expect(sheet.find('.stopbox').text()).toContain('Entry 2 is missing.')
  expect(sheet.find('.warnbox').text()).toContain('Needed by: 2026-12-24 there')
})
it('offers nothing more once it was decided', () => {
  const sheet = shown({ ...arrival(3), state: 'put-aside', decidedBy: 'Una' } as Arrival)
  expect(sheet.findAll('button')).toHaveLength(0)
  expect(sheet.text()).toContain('Put aside by Una')
})
