// @vitest-environment happy-dom
import { mount, RouterLinkStub } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Closing, Docket } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import ClosingWork from './ClosingWork.vue'

const server = fakeServer()
const CLOSING = '/api/cases/BR-2611-0007/closing'
const state: Closing = {
  devices: [
    { id: 11, position: 1, name: 'Slate disk', serial: 'SK-1' },
    { id: 12, position: 2, name: 'Card', serial: '' },
  ],
  missing: ['What becomes of device 1 is not noted.'],
  options: [
    { outcome: 'delivered', lacks: ['No delivery of it is sealed.'], asks: '' },
    { outcome: 'copy-found', lacks: [], asks: 'Which copy' },
    { outcome: 'collected-unrecovered', lacks: ['No signed paper is on record.'], asks: '' },
  ],
  papers: [],
}
function shown(of: Closing, stage: Docket['stage'] = 'handover') {
  server.answer(`GET ${CLOSING}`, of)
  return mount(ClosingWork, {
    props: { docket: { number: 'BR-2611-0007', stage } as Docket },
    global: { stubs: { RouterLink: RouterLinkStub } },
  })
}
const closes = (page: ReturnType<typeof shown>) => page.findAll('button').find((b) => b.text() === 'Close the case')

it('notes what became of all devices that are here, with one answer', async () => {
  server.answer(`POST ${CLOSING}/devices`, state)
  const page = shown(state)
  await until(() => expect(page.text()).toContain('Slate disk'))
  await page.find('#ends-words').setValue('to Hilda Crane')
  await page.find('form.note').trigger('submit')
  await until(() => expect(server.changes()).toHaveLength(1))
  expect(server.changes()[0]).toMatchObject({
    what: `POST ${CLOSING}/devices`,
    body: { devices: [11, 12], disposition: 'returned', words: 'to Hilda Crane' },
  })
})
it('says what is missing, and does not close before it is there', async () => {
  const page = shown(state)
  await until(() => expect(page.text()).toContain('Slate disk'))
  await page.findAll('.outcome')[0]?.trigger('click')
  expect(page.text()).toContain('What becomes of device 1 is not noted.')
  expect(page.text()).toContain('No delivery of it is sealed.')
  expect(closes(page)?.attributes('disabled')).toBeDefined()
  await page.findAll('.outcome')[2]?.trigger('click')
  expect(page.text()).toContain('The paper to sign')
})
it('closes with words where the outcome asks for them', async () => {
  server.answer(`POST ${CLOSING}`, state)
  const page = shown({ ...state, missing: [] })
  await until(() => expect(page.text()).toContain('Slate disk'))
  await page.findAll('.outcome')[1]?.trigger('click')
  expect(closes(page)?.attributes('disabled')).toBeDefined()
  await page.find('#closing-words').setValue('on their laptop, of last week')
  await until(() => expect(closes(page)?.attributes('disabled')).toBeUndefined())
  await page.find('form[aria-labelledby="h-outcome"]').trigger('submit')
  await until(() => expect(page.emitted('changed')).toHaveLength(1))
  expect(server.changes()).toEqual([
    { what: `POST ${CLOSING}`, body: { outcome: 'copy-found', words: 'on their laptop, of last week' } },
  ])
})
it('says with what it was closed, and takes it back', async () => {
  server.answer(`DELETE ${CLOSING}`, state)
  const closed = {
    outcome: 'copy-found',
    words: 'on their laptop',
    who: 'Una Farrow',
    at: '2026-11-24T10:00:00Z',
  } as const
  const page = shown({ ...state, missing: [], closed }, 'closed')
  await until(() => expect(page.text()).toContain('A copy was found'))
  expect(page.find('form').exists()).toBe(false)
  await page
    .findAll('button')
    .find((b) => b.text() === 'Take the closing back')
    ?.trigger('click')
  await until(() => expect(page.emitted('changed')).toHaveLength(1))
})
it('says nothing of how a case ended that was closed before that was kept', async () => {
  const page = shown({ ...state, missing: [] }, 'closed')
  await until(() => expect(page.text()).toContain('is not on record'))
})
