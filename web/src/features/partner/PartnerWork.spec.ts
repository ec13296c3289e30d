// @vitest-environment happy-dom
import { mount, RouterLinkStub } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Docket, PartnerState } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import PartnerWork from './PartnerWork.vue'

const server = fakeServer()
let tried = 0
const device = { id: 11, position: 1, name: 'Slate disk', serial: 'SK-1' }
const job = {
  id: 5,
  deviceId: 11,
  partner: 'Fastings Cleanroom',
  step: 'sent',
  expected: '2026-12-08',
  toCheck: false,
  sent: { on: '2026-12-01', parcel: 'SK 4711', condition: 'clicks', who: 'Una', at: '2026-12-01T10:00:00Z' },
} as const
/** Each in a case of its own: what one test was told is not what the next begins with. */
async function shown(state: PartnerState, wish: string, more: { device?: number; photos?: object[] } = {}) {
  const number = `BR-2611-00${10 + tried++}`
  const path = `/api/cases/${number}/partner`
  server.answer(`GET ${path}`, state)
  server.answer(`GET /api/cases/${number}/photos`, more.photos ?? [])
  for (const change of [`POST ${path}`, `PUT ${path}/5/quote`, `PUT ${path}/5/back`, `DELETE ${path}/5/last`])
    server.answer(change, state)
  const page = mount(PartnerWork, {
    props: { docket: { number } as Docket, device: more.device },
    global: { stubs: { RouterLink: RouterLinkStub } },
  })
  await until(() => expect(page.text()).toContain(wish))
  return { page, path }
}
const away = { jobs: [job], devices: [{ ...device, stays: 'It is with Fastings Cleanroom.' }], currency: '£' }

it('sends a device once all is said that must be', async () => {
  const { page, path } = await shown({ jobs: [], devices: [device], currency: '£' }, 'Whose bench')
  expect(page.find('button[type=submit]').attributes('disabled')).toBeDefined()
  await page.find('#send-partner').setValue('Fastings Cleanroom')
  await page.find('#send-parcel').setValue('SK 4711')
  await page.find('#send-condition').setValue('clicks')
  await page.find('form').trigger('submit')
  await until(() => expect(page.emitted('changed')).toHaveLength(1))
  expect(server.changes()[0]).toMatchObject({
    what: `POST ${path}`,
    body: { deviceId: 11, partner: 'Fastings Cleanroom', parcel: 'SK 4711', condition: 'clicks' },
  })
})
it('asks for a photo of the device that is shown, until there is one', async () => {
  const devices = [device, { ...device, id: 12, position: 2 }]
  const photos = [{ id: 1, deviceId: 11, what: 'device' }]
  const { page } = await shown({ jobs: [], devices, currency: '£' }, 'No photo of it', { device: 12, photos })
  expect(page.find<HTMLSelectElement>('#send-device').element.value).toBe('12')
  const seen = await shown({ jobs: [], devices, currency: '£' }, 'Whose bench', { device: 11, photos })
  await until(() =>
    expect(server.sent.some((r) => r.what === `GET ${seen.path.replace('partner', 'photos')}`)).toBe(true),
  )
  expect(seen.page.text()).not.toContain('No photo of it')
})
it('says why nothing can be sent', async () => {
  await shown({ jobs: [], devices: [{ ...device, stays: 'It is closed.' }], currency: '£' }, 'It is closed.')
})
it('notes the quote to the penny', async () => {
  const { page, path } = await shown(away, 'is to quote by')
  expect(page.find('button[type=submit]').attributes('disabled')).toBeDefined()
  await page.find('#sum-5').setValue('480,5')
  await page.find('form').trigger('submit')
  await until(() => expect(server.changes()).toHaveLength(1))
  expect(server.changes()[0]).toMatchObject({ what: `PUT ${path}/5/quote`, body: { hundredths: 48050 } })
})
it('takes back a device that nobody quoted for, with its condition and what was done', async () => {
  const { page, path } = await shown(away, 'is to quote by')
  await page
    .findAll('button')
    .find((b) => b.text() === 'it came back without that')
    ?.trigger('click')
  await page.find('#condition-5').setValue('as it was')
  await page.find('#words-5').setValue('nothing')
  await page.find('form').trigger('submit')
  await until(() => expect(server.changes()).toHaveLength(1))
  expect(server.changes()[0]).toMatchObject({
    what: `PUT ${path}/5/back`,
    body: { condition: 'as it was', done: 'nothing', hundredths: 0, serial: '' },
  })
})
it('leads to the bench check once it is back', async () => {
  const back = { on: '2026-12-01', condition: 'quiet', done: 'heads changed', hundredths: 48050, serial: 'NEW-2' }
  const home: PartnerState = {
    ...away,
    jobs: [{ ...job, step: 'back', toCheck: true, back }],
  }
  const { page } = await shown(home, 'Check it on the bench')
  expect(page.text()).toContain('£ 480.50')
  expect(page.text()).toContain('NEW-2')
  expect(page.find('form').exists()).toBe(false)
})
