// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { PortalFile } from '@/api/types'
import FileList from './FileList.vue'

const file = (number: number, over: Partial<PortalFile> = {}) =>
  ({
    number,
    name: `hive ${number}.ods`,
    path: `data/hives/hive ${number}.ods`,
    delivered: 'whole',
    size: 1000,
    gapBytes: 0,
    ...over,
  }) as PortalFile

it('shows the first files, and all when asked', async () => {
  const list = mount(FileList, {
    props: { token: 'gull', files: Array.from({ length: 20 }, (_, i) => file(i + 1)) },
  })
  expect(list.findAll('tbody tr')).toHaveLength(12)
  await list.find('.more button').trigger('click')
  expect(list.findAll('tbody tr')).toHaveLength(20)
  expect(list.find('.more').exists()).toBe(false)
})
it('is printed whole', async () => {
  const list = mount(FileList, {
    props: { token: 'gull', files: Array.from({ length: 20 }, (_, i) => file(i + 1)) },
  })
  window.dispatchEvent(new Event('beforeprint'))
  await list.vm.$nextTick()
  expect(list.findAll('tbody tr')).toHaveLength(20)
  expect(list.find('.more').exists()).toBe(false)
  window.dispatchEvent(new Event('afterprint'))
  await list.vm.$nextTick()
  expect(list.findAll('tbody tr')).toHaveLength(12)
})
it('offers only what is there, and says what became of the rest', () => {
  const lost = file(2, { path: undefined, delivered: 'not-delivered', why: 'None of its bytes are placed.' })
  const list = mount(FileList, { props: { token: 'gull', files: [file(1), lost] } })
  expect(list.findAll('a').map((a) => a.attributes('href'))).toEqual(['/api/portal/gull/files/1'])
  expect(list.text()).toContain('hives › hive 1.ods')
  expect(list.text()).toContain('None of its bytes are placed.')
})
