// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { fakeServer, until } from '@/testing/server'
import CaseFilterBar from './CaseFilterBar.vue'
import { NO_FILTER, type CaseFilter } from './filter'

const server = fakeServer()
function bar(over: Partial<CaseFilter> = {}) {
  server.answer('GET /api/triage/vocabulary', { facts: [], paths: [] })
  server.answer('GET /api/staff', [{ login: 'tom', name: 'Tom Gale', role: 'ENGINEER' }])
  server.answer('GET /api/filters', [{ id: 2, name: 'late drives', query: 'medium=hdd&late=true' }])
  const wrapper = mount(CaseFilterBar, {
    props: {
      modelValue: { ...NO_FILTER, ...over },
      'onUpdate:modelValue': (modelValue: CaseFilter) => wrapper.setProps({ modelValue }),
    },
  })
  return wrapper
}
const named = (wrapper: ReturnType<typeof bar>, name: string) =>
  wrapper.findAll('button').find((b) => b.text() === name)

it('takes a kept filter up, and clears it', async () => {
  const filter = bar()
  await until(() => expect(named(filter, 'late drives')).toBeDefined())
  await named(filter, 'late drives')?.trigger('click')
  expect(filter.props('modelValue')).toMatchObject({ medium: 'hdd', late: true })
  await named(filter, 'Clear')?.trigger('click')
  expect(filter.props('modelValue')).toEqual(NO_FILTER)
})
it('keeps a filter under a name', async () => {
  const filter = bar({ owner: 'tom' })
  await named(filter, 'Keep this filter')?.trigger('click')
  await filter.find('input[aria-label="Name of the filter"]').setValue('of Tom')
  await filter.find('form').trigger('submit')
  await until(() => expect(server.changes()).toHaveLength(1))
  expect(server.changes()[0]).toMatchObject({ what: 'POST /api/filters', body: { name: 'of Tom' } })
  await until(() => expect(filter.find('form').exists()).toBe(false))
})
it('drops one', async () => {
  const filter = bar()
  await until(() => expect(filter.find('[aria-label="Drop the filter late drives"]').exists()).toBe(true))
  await filter.find('[aria-label="Drop the filter late drives"]').trigger('click')
  await until(() => expect(server.changes().map((s) => s.what)).toEqual(['DELETE /api/filters/2']))
})
