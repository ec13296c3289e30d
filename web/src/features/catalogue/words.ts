import type { components } from '@/api/schema'
import { count } from '@/ui/format/format'
import type { Ahead } from './ahead'

export type WordsState = components['schemas']['WordsState']

const documents = (n: number): string => `${count(n)} ${n === 1 ? 'document' : 'documents'}`

/** How far the words of a case can be searched, and what can be done about it. */
export function wordsState(state: WordsState): Ahead {
  const { run, closed, looked, said } = state
  const nothing = { doing: '', title: '', offer: '', words: '' }
  if (closed) return { ...nothing, words: 'words inside: closed by what the customer agreed to', title: closed }
  if (run?.state === 'waiting' || run?.state === 'running') return { ...nothing, doing: 'reading the words inside' }
  const left = Math.max(0, state.documents - looked)
  const title = looked
    ? `${count(said)} of ${documents(looked)} have words that can be read${run?.trouble ? `; ${run.trouble}` : ''}`
    : 'Text, office documents, PDF and mail can be searched by their words once those were read.'
  const words = looked ? `words inside: ${count(looked)} of ${documents(state.documents)} read` : ''
  const offer = !left ? '' : looked ? `read the other ${count(left)}` : `read the words inside ${documents(left)}`
  return {
    doing: '',
    words: run?.state === 'failed' ? `${words || 'words inside'}; it broke off` : words,
    title,
    offer,
  }
}
