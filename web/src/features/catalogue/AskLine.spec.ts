// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { CatalogueUnderstood } from '@/api/types'
import AskLine from './AskLine.vue'

const WORDS = 'deleted pictures'
const UNDERSTOOD: CatalogueUnderstood = {
  words: WORDS,
  parts: [
    { about: 'origin', from: 0, to: 7, says: 'deleted', not: false, or: false },
    { about: 'kind', from: 8, to: 16, says: 'any picture', not: false, or: false },
  ],
  problems: [],
}

function line(words: string, understood: CatalogueUnderstood | undefined = UNDERSTOOD) {
  return mount(AskLine, { props: { modelValue: words, understood, contentShown: true }, attachTo: document.body })
}

it('shows each part where it was read, and takes it away by one key', async () => {
  const ask = line(WORDS)
  expect(ask.findAll('.reading').map((p) => p.text())).toEqual(['deleted', 'any picture'])
  await ask.findAll('.part')[1]?.trigger('keydown', { key: 'Delete' })
  expect(ask.emitted('update:modelValue')).toEqual([['deleted']])
  ask.unmount()
})
it('takes a part as the letters that it is', async () => {
  const ask = line(WORDS)
  await ask.findAll('.part')[0]?.trigger('keydown', { key: 't' })
  expect(ask.emitted('update:modelValue')).toEqual([['"deleted" pictures']])
  ask.unmount()
})
it('shows nothing that was read of other words', () => {
  const ask = line('deleted pictures in DCIM')
  expect(ask.findAll('.part')).toHaveLength(0)
  ask.unmount()
})
it('goes to the first part once it is read, but leaves alone who types on', async () => {
  const ask = line(WORDS, undefined)
  await ask.find('input').trigger('keydown', { key: 'ArrowDown' })
  await ask.setProps({ understood: UNDERSTOOD })
  await ask.vm.$nextTick()
  expect(document.activeElement?.textContent).toContain('deleted')
  ask.unmount()
})
it('says what could not be meant, where it stands', () => {
  const problems = [{ from: 0, to: 7, sentence: 'A size needs a unit, like 5 mb.' }]
  const ask = line('over 5 ', { words: 'over 5', parts: [], problems })
  expect(ask.find('.problem').text()).toContain('left out. A size needs a unit')
  ask.unmount()
})
