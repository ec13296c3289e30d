// @vitest-environment happy-dom
import { mount, RouterLinkStub } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { CopySearch, Docket } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import CopiesWork from './CopiesWork.vue'
import type { Looked } from './copies'

const server = fakeServer()
const COPIES = '/api/cases/BR-2611-0007/copies'
const NONE: Looked['finding'] = { result: 'to-look', lookedBy: '', opened: '', covers: [], words: '' }
const search: CopySearch = {
  places: [
    { place: 'trash', called: '', afterLoss: false, finding: NONE },
    {
      id: 3,
      place: 'second-machine',
      called: '',
      afterLoss: true,
      finding: { ...NONE, result: 'found', lookedBy: 'Hilda', opened: 'a.jpg', covers: [1] },
      noted: { who: 'Una Farrow', at: '2026-11-24T10:00:00Z' },
    },
  ],
  lines: [
    { wantedId: 1, words: 'the pictures', mustHave: true, cover: 'covered' },
    { wantedId: 2, words: 'letters', mustHave: false, cover: 'uncovered' },
  ],
}
async function shown() {
  server.answer(`GET ${COPIES}`, search)
  server.answer(`PUT ${COPIES}`, search)
  const page = mount(CopiesWork, {
    props: { docket: { number: 'BR-2611-0007', stage: 'triaged' } as Docket },
    global: { stubs: { RouterLink: RouterLinkStub } },
  })
  await until(() => expect(page.text()).toContain('Second machine'))
  return page
}
const press = async (page: Awaited<ReturnType<typeof shown>>, words: string) =>
  page
    .findAll('button')
    .find((b) => b.text().startsWith(words))
    ?.trigger('click')

it('shows which lines a copy covers, and warns of one that is newer than the loss', async () => {
  const page = await shown()
  expect(page.text()).toContain('1 of 2 wanted lines are covered.')
  expect(page.findAll('.held-by.seen')).toHaveLength(1)
  expect(page.text()).toContain('newer than the loss')
})
it('notes that nothing is there, by whom', async () => {
  const page = await shown()
  await press(page, 'Note what is there')
  await press(page, 'nothing is there')
  await page.find('#by-trash').setValue('Hilda Crane')
  await page.find('form').trigger('submit')
  await until(() => expect(page.emitted('changed')).toHaveLength(1))
  expect(server.changes()[0]).toMatchObject({
    what: `PUT ${COPIES}`,
    body: { place: 'trash', called: '', result: 'nothing', lookedBy: 'Hilda Crane' },
  })
  expect(page.find('form').exists()).toBe(false)
})
it('takes another place of the same kind, which needs a name', async () => {
  const page = await shown()
  await press(page, 'another one')
  await page.find('#by-second-machine').setValue('Una')
  expect(page.find('button[type=submit]').attributes('disabled')).toBeDefined()
  await page.find('#called-second-machine').setValue(' office ')
  await page.find('form').trigger('submit')
  await until(() => expect(server.changes()).toHaveLength(1))
  expect(server.changes()[0]).toMatchObject({ body: { place: 'second-machine', called: 'office', result: 'found' } })
})
it('keeps what was typed when it was refused', async () => {
  const page = await shown()
  server.refuse(`PUT ${COPIES}`, 400, 'The day is still to come.')
  await press(page, 'Note what is there')
  await page.find('#by-trash').setValue('Hilda')
  await page.find('form').trigger('submit')
  await until(() => expect(page.text()).toContain('The day is still to come.'))
  expect(page.find<HTMLInputElement>('#by-trash').element.value).toBe('Hilda')
})
