// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { AllSettings } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import BenchSettings from './BenchSettings.vue'

const server = fakeServer()
const RULES = {
  mibPerSecond: 0,
  quietFrom: '00:00',
  quietTo: '00:00',
  healthSeconds: 30,
  boxes: [{ name: 'Box 1', address: 'nbd://bench-box-1:10809' }],
  scanRecords: true,
  namePattern: '{taken} {said}',
}
const settings = { bench: RULES } as unknown as AllSettings

it('adds a box, removes one and saves all rules', async () => {
  const bench = mount(BenchSettings, { props: { settings, mayChange: true } })
  await bench
    .findAll('button')
    .find((b) => b.text() === 'Add a bench box')
    ?.trigger('click')
  await bench.find('#box-n-1').setValue('Box 2')
  await bench.find('#box-a-1').setValue('nbd://bench-box-2:10809')
  await bench.find('.box button').trigger('click')
  await bench.find('form').trigger('submit')
  await until(() => expect(bench.text()).toContain('Saved.'))
  expect(server.sent[0]).toEqual({
    what: 'PUT /api/settings/bench',
    body: { ...RULES, boxes: [{ name: 'Box 2', address: 'nbd://bench-box-2:10809' }] },
  })
})
it('leaves the rules in force alone until they are saved', async () => {
  server.refuse('PUT /api/settings/bench', 400, 'Box 1 has no address.')
  const bench = mount(BenchSettings, { props: { settings, mayChange: true } })
  await bench.find('#box-a-0').setValue('')
  await bench.find('form').trigger('submit')
  await until(() => expect(bench.text()).toContain('Box 1 has no address.'))
  expect(RULES.boxes[0]?.address).toBe('nbd://bench-box-1:10809')
})
