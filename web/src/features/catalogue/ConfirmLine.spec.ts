// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { WantedState } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import ConfirmLine from './ConfirmLine.vue'

const server = fakeServer()
const CONFIRMATION = '/api/cases/BR-1/catalogue/wanted/7/confirmation'
const state = (chosen: number, confirmed?: object) =>
  ({
    line: { id: 7, words: 'hive logs', hopedFor: 6 },
    tally: { lineId: 7, hopedFor: 6, chosen, found: { whole: 6, partly: 0, mayFit: 0 }, confirmed },
  }) as unknown as WantedState
const line = (of: WantedState, fit?: string) => mount(ConfirmLine, { props: { number: 'BR-1', state: of, fit } })

it('narrows the matches by how surely they fit', async () => {
  const shown = line(state(2), 'fits')
  const choices = shown.findAll('[role="radio"]')
  expect(choices.map((c) => c.attributes('aria-checked'))).toEqual(['false', 'true', 'false'])
  await choices[2]!.trigger('click')
  await choices[0]!.trigger('click')
  expect(shown.emitted('fit')).toEqual([['may-fit'], [undefined]])
})
it('confirms just as many as are chosen, so that one more in between is noticed', async () => {
  const shown = line(state(6))
  await shown.findAll('button').at(-1)!.trigger('click')
  await until(() => expect(shown.emitted('changed')).toHaveLength(1))
  expect(server.sent).toEqual([{ what: `POST ${CONFIRMATION}`, body: { count: 6 } }])
})
it('takes a confirmation back', async () => {
  const shown = line(state(6, { who: 'Una Farrow', at: '2026-11-24T09:00:00Z', theirs: 6 }))
  await shown.findAll('button').at(-1)!.trigger('click')
  await until(() => expect(shown.emitted('changed')).toHaveLength(1))
  expect(server.sent[0]?.what).toBe(`DELETE ${CONFIRMATION}`)
})
