// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { nextTick } from 'vue'
import type { CatalogueLine } from '@/api/types'
import ContactSheet from './ContactSheet.vue'

const picture = (id: number, made: string, more: Partial<CatalogueLine> = {}): CatalogueLine =>
  ({
    id,
    made,
    name: `hive ${id}.jpg`,
    kind: 'jpg',
    size: 100,
    readBytes: 100,
    prognosis: 'whole',
    selected: false,
    extents: [],
    about: {},
    stands: { folder: '/Hives', name: `hive ${id}.jpg`, trashed: false },
    ...more,
  }) as unknown as CatalogueLine

/** Something to scroll in that has room for all of it. */
function roomy(): HTMLElement {
  const room = document.createElement('div')
  for (const side of ['clientWidth', 'clientHeight']) Object.defineProperty(room, side, { value: 4000 })
  return room
}
async function sheetOf(lines: CatalogueLine[], at = 0) {
  const sheet = mount(ContactSheet, {
    props: { number: 'BR-1', lines, at, open: undefined, wanted: [], gone: [], asked: [], within: roomy() },
    attachTo: document.body,
  })
  await nextTick()
  return sheet
}
const FOUR = [1, 2, 3, 4].map((id) => picture(id, `2026-05-0${id}T09:00:00`, { selected: id === 3 }))

it('hangs pictures under their days, and keeps days without any', async () => {
  const sheet = await sheetOf([picture(1, '2026-05-01T09:00:00'), picture(2, '2026-05-04T10:00:00')])
  expect(sheet.findAll('.day').map((d) => d.find('h3').text())).toEqual([
    'Fri, 1 May 2026 1 picture',
    'Mon, 4 May 2026 1 picture',
  ])
  expect(sheet.text()).toContain('2 days without pictures')
  sheet.unmount()
})

it('says on the picture what is in doubt or has gaps', async () => {
  const sheet = await sheetOf([picture(1, '2026-05-01T09:00:00', { prognosis: 'gapped', readBytes: 60 })])
  expect(sheet.text()).toContain('gapped, 60.0 %')
  expect(sheet.find('.picture').attributes('aria-label')).toBe('hive 1.jpg, gapped, 60.0 %, Hives')
  expect(sheet.find('.strips').exists()).toBe(true)
  sheet.unmount()
})

it('chooses all that a hand is dragged over, and gives them up when all were chosen', async () => {
  const sheet = await sheetOf(FOUR)
  const pictures = sheet.findAll('.frame')
  await pictures[1]!.trigger('pointerdown', { button: 0 })
  await pictures[3]!.trigger('pointerenter')
  window.dispatchEvent(new Event('pointerup'))
  expect(sheet.emitted('select')).toEqual([[[2, 4], true]])
  await pictures[2]!.trigger('pointerdown', { button: 0 })
  window.dispatchEvent(new Event('pointerup'))
  expect(sheet.emitted('select')).toHaveLength(1)
  sheet.unmount()
})

it('chooses from the picture at hand to one pressed with Shift', async () => {
  const sheet = await sheetOf(FOUR, 2)
  await sheet.findAll('.frame')[3]!.trigger('pointerdown', { button: 0, shiftKey: true })
  expect(sheet.emitted('select')).toEqual([[[4], true]])
  sheet.unmount()
})

it('takes a picture in hand first, and opens the one in hand', async () => {
  const sheet = await sheetOf(FOUR)
  await sheet.findAll('.picture')[1]!.trigger('click')
  expect(sheet.emitted('at')).toEqual([[1]])
  expect(sheet.emitted('open')).toBeUndefined()
  await sheet.setProps({ at: 1 })
  await sheet.findAll('.picture')[1]!.trigger('click')
  expect(sheet.emitted('open')).toEqual([[2]])
  await sheet.find('.sheetpaper').trigger('keydown', { key: 'ArrowRight' })
  expect(sheet.emitted('at')?.at(-1)).toEqual([2])
  sheet.unmount()
})

it('lays pictures that look nearly the same on one another, and spreads them out', async () => {
  const look = 'f0f0f0f0f0f0f0f00f0f0f0f0f0f0f0f'
  const same = [1, 2].map((id) => picture(id, `2026-05-01T09:0${id}:00`, { look, size: 100 * id }))
  const sheet = await sheetOf([...same, picture(3, '2026-05-01T09:30:00')])
  expect(sheet.findAll('.picture').map((p) => p.attributes('aria-label'))).toEqual([
    'hive 2.jpg, whole, Hives',
    'hive 3.jpg, whole, Hives',
  ])
  expect(sheet.emitted('at'), 'the one at hand lies beneath').toEqual([[1]])
  expect(sheet.find('.day h3').text()).toContain('3 pictures')
  expect(sheet.text()).toContain('1 lies beneath others')
  await sheet.find('.like').trigger('click')
  expect(sheet.findAll('.picture')).toHaveLength(3)
  await sheet.find('.like').trigger('click')
  expect(sheet.findAll('.picture')).toHaveLength(2)
  await sheet.find('.folding input').setValue(false)
  expect(sheet.findAll('.picture')).toHaveLength(3)
  expect(sheet.find('.like').exists()).toBe(false)
  sheet.unmount()
})
