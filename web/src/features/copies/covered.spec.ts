// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { defineComponent, h } from 'vue'
import { fakeServer, until } from '@/testing/server'
import { coveredWords, provideCover, useCover } from './covered'

const server = fakeServer()
const Line = defineComponent({
  props: { /** The wanted line. */ line: { type: Number, required: true } },
  setup(props) {
    const cover = useCover()
    return () => h('p', `${props.line}: ${cover(props.line)}`)
  },
})

it('says of each wanted line whether a copy covers it, wherever it stands', async () => {
  server.answer('GET /api/cases/BR-2611-0404/copies', {
    places: [],
    lines: [
      { wantedId: 1, words: 'a', mustHave: true, cover: 'covered' },
      { wantedId: 2, words: 'b', mustHave: true, cover: 'said' },
      { wantedId: 3, words: 'c', mustHave: true, cover: 'uncovered' },
    ],
  })
  const Case = defineComponent(() => {
    provideCover('BR-2611-0404')
    return () =>
      h(
        'div',
        [1, 2, 3].map((line) => h(Line, { line })),
      )
  })
  const shown = mount(Case)
  await until(() => expect(shown.text()).toContain('1: a copy covers it'))
  expect(shown.text()).toContain('2: a copy is said to have it')
  expect(shown.findAll('p')[2]?.text()).toBe('3:')
})
it('says nothing where nobody looked for a copy', () => {
  expect(mount(Line, { props: { line: 7 } }).text()).toBe('7:')
  expect(coveredWords('uncovered')).toBe('')
})
