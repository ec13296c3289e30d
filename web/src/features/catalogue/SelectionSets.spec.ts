// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { fakeServer, until } from '@/testing/server'
import SelectionSets from './SelectionSets.vue'

const server = fakeServer()
const PATH = '/api/cases/BR-1/catalogue/selection'
const KEPT = { id: 4, name: 'for the circle', keptBy: 'Tom Gale', keptAt: '2026-05-04T09:12:30Z', files: 1200 }
const CHANGES = [
  { id: 9, what: 'gave up one finding', who: 'Una Farrow', at: '2026-05-04T10:00:00Z', chosen: 0, givenUp: 1 },
  {
    id: 8,
    what: 'chose all findings',
    who: 'Tom Gale',
    at: '2026-05-04T09:00:00Z',
    chosen: 5,
    givenUp: 0,
    takenBackBy: 'Una Farrow',
  },
]

function sets(kept: unknown[], changes: unknown[], chosen = 5) {
  server.answer(`GET ${PATH}/kept`, kept)
  server.answer(`GET ${PATH}/changes`, changes)
  return mount(SelectionSets, { props: { number: 'BR-1', chosen } })
}

it('says what is kept, and how what is chosen came about', async () => {
  const shown = sets([KEPT], CHANGES)
  await until(() => expect(shown.text()).toContain('1,200, by Tom Gale'))
  await until(() => expect(shown.text()).toContain('1 fewer, Una Farrow'))
  expect(shown.find('li.back').text()).toContain('taken back by Una Farrow')
  expect(shown.findAll('button').filter((b) => b.text() === 'take back')).toHaveLength(1)
})
it('puts a kept selection in place of what is chosen', async () => {
  const shown = sets([KEPT], [])
  server.answer(`POST ${PATH}/kept/4`, { change: 10, changed: 3, files: 2, bytes: 2, whole: 2, gapped: 0, doubtful: 0 })
  await until(() => expect(shown.find('[aria-label="only these: for the circle"]').exists()).toBe(true))
  await shown.find('[aria-label="only these: for the circle"]').trigger('click')
  await until(() => expect(server.changes()).toEqual([{ what: `POST ${PATH}/kept/4`, body: { how: 'only' } }]))
})
it('keeps what is chosen under a name, and nothing without one', async () => {
  const shown = sets([], [])
  server.answer(`POST ${PATH}/kept`, [KEPT])
  await until(() => expect(shown.text()).toContain('None yet.'))
  const button = shown.findAll('button').find((b) => b.text() === 'Keep')
  expect(button?.attributes('disabled')).toBeDefined()
  await shown.find('#keep-as').setValue('letters')
  await shown.find('form').trigger('submit')
  await until(() =>
    expect(server.changes()).toEqual([{ what: `POST ${PATH}/kept`, body: { name: 'letters', letGo: false } }]),
  )
})
it('offers to keep nothing where nothing is chosen', async () => {
  const shown = sets([], [], 0)
  await until(() => expect(shown.text()).toContain('Nobody has chosen anything yet.'))
  expect(shown.find('#keep-as').exists()).toBe(false)
})
it('says why a name was refused', async () => {
  const shown = sets([], [])
  const why = 'A selection of this case is called “letters” already; take another name.'
  server.refuse(`POST ${PATH}/kept`, 409, why)
  await until(() => expect(shown.find('#keep-as').exists()).toBe(true))
  await shown.find('#keep-as').setValue('letters')
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.text()).toContain(why))
})
it('gives a kept selection another name, unless it is left as it was', async () => {
  const shown = sets([KEPT], [])
  await until(() => expect(shown.find('.called').exists()).toBe(true))
  await shown.find('.called').trigger('click')
  await shown.find('[aria-label="Another name for for the circle"]').trigger('keydown', { key: 'Enter' })
  expect(server.changes()).toEqual([])
  await shown.find('.called').trigger('click')
  const field = shown.find('[aria-label="Another name for for the circle"]')
  await field.setValue('for the band')
  await field.trigger('keydown', { key: 'Enter' })
  await until(() =>
    expect(server.changes()).toEqual([{ what: `PUT ${PATH}/kept/4`, body: { name: 'for the band', letGo: false } }]),
  )
})
