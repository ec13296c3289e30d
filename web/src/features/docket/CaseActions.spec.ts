// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { beforeEach, expect, it } from 'vitest'
import { useUndo } from '@/api/undo'
import type { Docket } from '@/api/types'
import { daysFromNow } from '@/ui/format/days'
import { fakeServer, until } from '@/testing/server'
import CaseActions from './CaseActions.vue'

const server = fakeServer()
const STAFF = 'GET /api/staff'
beforeEach(() => server.answer(STAFF, []))
const docket = (more: Partial<Docket> = {}) =>
  ({
    number: 'BR-1',
    stage: 'received',
    owner: { login: 'una', name: 'Una Farrow' },
    customer: { ways: [{ kind: 'phone', value: '+44 (0148) 20 30' }] },
    ...more,
  }) as unknown as Docket
const actions = (of: Docket) => mount(CaseActions, { props: { docket: of } })
const button = (shown: ReturnType<typeof actions>, words: string) =>
  shown.findAll('button').find((b) => b.text().startsWith(words))!

it('holds a case for a reason until a day, and takes that back', async () => {
  const shown = actions(docket())
  await button(shown, 'Hold').trigger('click')
  await shown.find('#hold-reason').setValue('a part')
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.emitted('changed')).toHaveLength(1))
  expect(server.changes()).toEqual([
    { what: 'POST /api/cases/BR-1/hold', body: { reason: 'a part', until: daysFromNow(7) } },
  ])
  await useUndo().undo(useUndo().newest.value)
  expect(server.changes().at(-1)?.what).toBe('DELETE /api/cases/BR-1/hold')
})
it('takes a held case up again; undone, it waits as it did', async () => {
  const shown = actions(docket({ stage: 'on-hold', hold: { reason: 'a part', until: '2026-01-01', from: 'received' } }))
  await button(shown, 'Take it up again').trigger('click')
  await until(() => expect(shown.emitted('changed')).toHaveLength(1))
  await useUndo().undo(useUndo().newest.value)
  expect(server.changes().at(-1)).toEqual({
    what: 'PUT /api/cases/BR-1/hold',
    body: { reason: 'a part', until: '2026-01-01' },
  })
})
it('is given to anybody but the owner', async () => {
  server.answer(STAFF, [
    { login: 'una', name: 'Una Farrow', role: 'COORDINATOR' },
    { login: 'tom', name: 'Tom Gale', role: 'ENGINEER' },
  ])
  const shown = actions(docket())
  await button(shown, 'Give to').trigger('click')
  await until(() => expect(shown.findAll('option').map((o) => o.text())).toEqual(['to whom?', 'Tom Gale']))
  await shown.find('select').setValue('tom')
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.emitted('changed')).toHaveLength(1))
  expect(server.changes()[0]).toEqual({ what: 'POST /api/cases/BR-1/owner', body: { login: 'tom' } })
  await useUndo().undo(useUndo().newest.value)
  expect(server.changes().at(-1)?.body).toEqual({ login: 'una' })
})
it('offers no hold for a case that is over, and a number to call where there is one', () => {
  const shown = actions(docket({ stage: 'closed' }))
  expect(button(shown, 'Hold')).toBeUndefined()
  expect(shown.find('a[href^="tel:"]').attributes('href')).toBe('tel:+4401482030')
})
