// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { CatalogueUnderstood, QuestionPart } from '@/api/types'
import PlainConditions from './PlainConditions.vue'

function understood(words: string, ...stretches: [QuestionPart['about'], string][]): CatalogueUnderstood {
  const parts = stretches.map(([about, said]) => {
    const from = words.indexOf(said)
    return { about, from, to: from + said.length, says: '', not: false, or: false }
  })
  return { words, parts, problems: [] }
}

function plain(said: CatalogueUnderstood) {
  const wrapper = mount(PlainConditions, { props: { modelValue: said.words, understood: said } })
  const change = async (i: number, to: string): Promise<void> => {
    const field = wrapper.findAll('input')[i]
    if (!field) throw new Error('no such field')
    const input = field.element as HTMLInputElement
    input.value = to
    await field.trigger('change')
  }
  const asked = (): unknown => wrapper.emitted('update:modelValue')?.at(-1)?.[0]
  return { wrapper, change, asked }
}

it('writes days and sizes into the question, in the place of what it said of them', async () => {
  const said = understood('pictures, since 2021-05-04', ['made', 'since 2021-05-04'])
  const days = plain(said)
  expect((days.wrapper.findAll('input')[0]?.element as HTMLInputElement).value).toBe('2021-05-04')
  await days.change(1, '2021-05-09')
  expect(days.asked()).toBe('pictures, from 2021-05-04 to 2021-05-09')
  const sizes = plain(said)
  await sizes.change(2, '1 mb')
  expect(sizes.asked()).toBe('pictures, since 2021-05-04, at least 1 mb')
})
it('loses nothing that is set while the question is being read', async () => {
  const { wrapper, change, asked } = plain(understood('pictures', ['kind', 'pictures']))
  await change(0, '2021-05-04')
  const first = 'pictures, since 2021-05-04'
  await wrapper.setProps({ modelValue: first })
  await change(1, '2021-05-09')
  expect(asked()).toBe(first)
  await wrapper.setProps({ understood: understood(first, ['made', 'since 2021-05-04']) })
  expect(asked()).toBe('pictures, from 2021-05-04 to 2021-05-09')
})
