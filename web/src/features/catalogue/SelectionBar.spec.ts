// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it, vi } from 'vitest'
import type { CataloguePage } from '@/api/types'
import SelectionBar from './SelectionBar.vue'

function bar(files: number, matching: number, undo?: () => unknown) {
  const selection = { files, bytes: 2048, whole: files, gapped: 0, doubtful: 0 }
  const page = { matching, exact: true, selection, wanted: [] } as unknown as CataloguePage
  return mount(SelectionBar, { props: { number: 'BR-1', page, busy: false, undo } })
}
const named = (wrapper: ReturnType<typeof bar>, name: string) =>
  wrapper.findAll('button').find((b) => b.text().startsWith(name))

it('selects what is shown, lets go of it and recovers', async () => {
  const chosen = bar(3, 40)
  await named(chosen, 'Select all 40')?.trigger('click')
  await named(chosen, 'Deselect')?.trigger('click')
  await named(chosen, 'Recover')?.trigger('click')
  expect(chosen.emitted('select')).toEqual([[true], [false]])
  expect(chosen.emitted('recover')).toHaveLength(1)
})
it('offers nothing that would do nothing', () => {
  const chosen = bar(0, 0)
  for (const name of ['Select all', 'Deselect', 'Recover'])
    expect(named(chosen, name)?.attributes('disabled')).toBeDefined()
  expect(named(chosen, 'Undo')).toBeUndefined()
})
it('takes the last choice back', async () => {
  const undo = vi.fn()
  await named(bar(1, 2, undo), 'Undo')?.trigger('click')
  expect(undo).toHaveBeenCalledOnce()
})
