// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { useUndo } from '@/api/undo'
import type { Docket, Ranking, RecoveryPath } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import { picked } from './decision'
import DecideForm from './DecideForm.vue'

const server = fakeServer()
const DECISION = 'POST /api/cases/BR-1/triage/decision'
const ranked = (path: RecoveryPath, barred = false) => ({
  path,
  label: path.replace('-', ' '),
  score: 5,
  barred,
  barredBecause: barred ? ['It clicks.'] : [],
  for: [],
  against: [],
})
const ranking = { ranking: [ranked('careful-imaging'), ranked('straight-copy', true)] } as unknown as Ranking
const device = { id: 7, position: 1, type: 'hdd' } as Docket['devices'][number]
const docket = { number: 'BR-1', version: 3, devices: [device] } as unknown as Docket
const form = (path: RecoveryPath, over: object = {}) =>
  mount(DecideForm, {
    props: {
      docket,
      device,
      ranking,
      path,
      history: [],
      label: (code: string) => code,
      modelValue: picked(path, docket),
      ...over,
    },
  })

it('takes the first path as it is, and offers to take that back', async () => {
  const shown = form('careful-imaging')
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.emitted('decided')).toHaveLength(1))
  expect(server.sent).toEqual([{ what: DECISION, body: { path: 'careful-imaging', reason: '', version: 3 } }])
  await useUndo().undo(useUndo().newest.value)
  expect(server.sent.at(-1)?.what).toBe('POST /api/cases/BR-1/triage/undo')
})
it('asks for a reason before it takes another path', async () => {
  const shown = form('straight-copy')
  expect(shown.text()).toContain('Barred: It clicks. Write down why')
  await shown.find('form').trigger('submit')
  expect(server.sent).toEqual([])
  await shown.find('input').setValue('the customer wants it so')
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.emitted('decided')).toHaveLength(1))
  expect(server.sent[0]?.body).toMatchObject({ path: 'straight-copy', reason: 'the customer wants it so' })
})
it('keeps what was written when it is refused', async () => {
  server.refuse(DECISION, 409, 'BR-1 is on hold; take it up again first.')
  const shown = form('straight-copy')
  await shown.find('input').setValue('why')
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.text()).toContain('BR-1 is on hold'))
  expect(shown.find('input').element.value).toBe('why')
  expect(shown.emitted('decided')).toBeUndefined()
})
it('offers each path as one of a group', async () => {
  const shown = form('careful-imaging')
  const paths = shown.findAll('[role="radio"]')
  expect(paths.map((p) => p.attributes('aria-checked'))).toEqual(['true', 'false'])
  await paths[1]!.trigger('click')
  expect(shown.emitted('update:modelValue')).toEqual([[picked('straight-copy', docket)]])
})
it('keeps what was picked when somebody else decides meanwhile, and asks', async () => {
  const shown = form('careful-imaging')
  const decided = { ...docket, version: 4, path: 'decline', pathReason: 'no hope' }
  const decision = { id: 1, path: 'decline' as const, who: 'Una', undone: false, at: '', protocol: '', reason: '' }
  await shown.setProps({ docket: decided as Docket, history: [decision] })
  expect(shown.text()).toContain('Una decided on decline meanwhile: “no hope”')
  expect(shown.find('[aria-checked="true"]').text()).toContain('careful imaging')
  await shown.find('form').trigger('submit')
  expect(server.sent).toEqual([])
  const [keep, take] = shown.findAll('.warnbox button')
  await keep!.trigger('click')
  await take!.trigger('click')
  expect(shown.emitted('update:modelValue')).toEqual([[picked('careful-imaging', decided as Docket)], [undefined]])
})
it('does not decide again what stands already', async () => {
  const stands = { ...docket, path: 'careful-imaging', pathReason: '' } as Docket
  const shown = form('careful-imaging', { docket: stands, modelValue: picked('careful-imaging', stands) })
  expect(shown.find('button[type="submit"]').attributes('disabled')).toBeDefined()
  await shown.setProps({ moved: true })
  expect(shown.find('button[type="submit"]').attributes('disabled')).toBeUndefined()
})

it('decides for one device of several alone, or for all that have no path of their own', async () => {
  const second = { ...device, id: 8, position: 2, slot: 4 }
  const several = { ...docket, devices: [device, second] }
  const shown = form('careful-imaging', { docket: several, device: second })
  expect(shown.text()).toMatch(/for\s+slot 4\s+alone/)
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.emitted('decided')).toHaveLength(1))
  expect(server.sent.at(-1)?.body).toMatchObject({ device: 8 })
  const first = form('careful-imaging', { docket: several })
  await first.find('form').trigger('submit')
  await until(() => expect(first.emitted('decided')).toHaveLength(1))
  expect(server.sent.at(-1)?.body).not.toHaveProperty('device')
})
