// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { fakeServer, until } from '@/testing/server'
import type { CatalogueLine } from '@/api/types'
import RemarkBox from './RemarkBox.vue'

const server = fakeServer()
const PATH = '/api/cases/BR-1/catalogue/remarks'
const LINE = { id: 7, name: 'IMG_1.jpg', kind: 'jpg', extents: [], stands: { folder: '', name: 'IMG_1.jpg' } }

function box(remark?: CatalogueLine['remark']) {
  server.answer(`GET ${PATH}/tags`, [{ tag: 'boat', files: 3 }])
  server.answer(`POST ${PATH}`, { at: '2026-05-04T09:12:30Z', before: [{ line: 7, tags: [] }] })
  return mount(RemarkBox, { props: { number: 'BR-1', line: { ...LINE, remark } as unknown as CatalogueLine } })
}
const sent = (body: object) => ({ what: `POST ${PATH}`, body: { lines: [7], chosen: false, ...body } })

it('says that a finding is theirs, and takes it back when pressed again', async () => {
  const shown = box()
  await shown.findAll('.opt')[0]!.trigger('click')
  await until(() => expect(server.changes()).toEqual([sent({ whose: 'theirs' })]))
  await shown.setProps({
    line: { ...LINE, remark: { whose: 'theirs', tags: [], who: 'Una', at: '2026-05-04T09:12:30Z' } } as never,
  })
  await shown.findAll('.opt')[0]!.trigger('click')
  await until(() => expect(server.changes().at(-1)).toEqual(sent({ whose: 'unsaid' })))
})
it('gives tags, and takes them away', async () => {
  const shown = box({ tags: ['pier'], who: 'Una Farrow', at: '2026-05-04T09:12:30Z' })
  expect(shown.text()).toContain('Una Farrow')
  await shown.find('.tagin').setValue('boat')
  await shown.find('form').trigger('submit')
  await until(() => expect(server.changes()).toEqual([sent({ tag: 'boat' })]))
  await shown.find('[aria-label="Take the tag “pier” away"]').trigger('click')
  await until(() => expect(server.changes().at(-1)).toEqual(sent({ untag: 'pier' })))
})
it('keeps a name and a note once they are left, and only what is otherwise', async () => {
  const shown = box()
  const name = shown.find('input[maxlength="255"]')
  await name.trigger('blur')
  await name.setValue('Pier at dusk.jpg')
  await name.trigger('blur')
  await until(() => expect(server.changes()).toEqual([sent({ called: 'Pier at dusk.jpg' })]))
})
it('says why a remark was refused', async () => {
  const shown = box()
  server.refuse(`POST ${PATH}`, 409, 'A finding has at most 20 tags; take one away first.')
  await shown.find('.tagin').setValue('boat')
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.text()).toContain('at most 20 tags'))
})
it('keeps what is being typed when somebody else remarks meanwhile', async () => {
  const shown = box()
  const note = shown.find('textarea')
  await note.trigger('focus')
  await note.setValue('asked for on the')
  const remark = { tags: [], called: 'Pier.jpg', note: 'of Tom', who: 'Tom Gale', at: '2026-05-04T09:12:30Z' }
  await shown.setProps({ line: { ...LINE, remark } as never })
  expect(note.element.value).toBe('asked for on the')
  expect(shown.find<HTMLInputElement>('input[maxlength="255"]').element.value).toBe('Pier.jpg')
  await shown.setProps({ line: { ...LINE, id: 8, remark } as never })
  expect(note.element.value).toBe('of Tom')
})
