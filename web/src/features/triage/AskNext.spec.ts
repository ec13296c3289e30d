// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Ranking } from '@/api/types'
import AskNext from './AskNext.vue'

it('says what an answer would lead to, and takes that nobody knows', async () => {
  const question = {
    fact: 'noise',
    ask: 'Does it make a noise?',
    answers: [{ value: 'clicking', leads: 'hardware-work' }],
    wouldMove: ['hardware-work'],
  } as unknown as NonNullable<Ranking['nextQuestion']>
  const ask = mount(AskNext, { props: { question, vocabulary: undefined } })
  const [clicking, unknown] = ask.findAll('.opt')
  expect(clicking?.attributes('title')).toContain('hardware work leads')
  await clicking?.trigger('click')
  await unknown?.trigger('click')
  expect(ask.emitted('answer')).toEqual([['clicking'], ['unknown']])
})
