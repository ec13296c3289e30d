// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { WantedForm } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import WantedEditor from './WantedEditor.vue'

const server = fakeServer()
const EMPTY: WantedForm = { words: '', kinds: [], pattern: '', hopedFor: 0, minBytes: 0, mustHave: true }
function editor(...lines: Partial<WantedForm>[]) {
  const wrapper = mount(WantedEditor, {
    props: {
      kinds: ['image', 'audio'],
      modelValue: lines.map((l) => ({ ...EMPTY, ...l })),
      'onUpdate:modelValue': (modelValue: WantedForm[]) => wrapper.setProps({ modelValue }),
    },
    attachTo: document.body,
  })
  return wrapper
}

it('adds a line and leads the hand to it', async () => {
  const list = editor()
  expect(list.text()).toContain('Nothing yet')
  await list.find('button').trigger('click')
  await until(() => expect(document.activeElement?.getAttribute('aria-label')).toBe('Line 1, in their words'))
  list.unmount()
})
it('fills what is empty from the words, and leaves what was entered', async () => {
  server.answer('POST /api/intake/wanted', { ...EMPTY, kinds: ['audio'], hopedFor: 40, pattern: 'memo*' })
  const list = editor({ words: 'about forty voice memos', pattern: 'Staves/*' })
  await list.find('.words').trigger('blur')
  await until(() => expect(list.props('modelValue')[0]?.hopedFor).toBe(40))
  expect(list.props('modelValue')[0]).toMatchObject({ kinds: ['audio'], pattern: 'Staves/*' })
  list.unmount()
})
it('keeps the words when they cannot be read', async () => {
  server.refuse('POST /api/intake/wanted', 503, 'Not now.')
  const list = editor({ words: 'the marches' })
  await list.find('.words').trigger('blur')
  await until(() => expect(server.sent).toHaveLength(1))
  expect(list.props('modelValue')[0]?.words).toBe('the marches')
  list.unmount()
})
it('takes a year that was only assumed back by a year', async () => {
  const list = editor({
    words: 'photos of june',
    changedFrom: '2026-06-01',
    changedTo: '2026-06-30',
    yearAssumed: true,
  })
  await list.find('.line').trigger('keydown', { altKey: true, code: 'KeyY' })
  expect(list.props('modelValue')[0]).toMatchObject({ changedFrom: '2025-06-01', changedTo: '2025-06-30' })
  list.unmount()
})
it('takes a line away', async () => {
  const list = editor({ words: 'one' }, { words: 'two' })
  await list.find('[aria-label="Take away line 1"]').trigger('click')
  expect(list.props('modelValue').map((w) => w.words)).toEqual(['two'])
  list.unmount()
})
