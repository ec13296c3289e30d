import type { components } from '@/api/schema'
import { count } from '@/ui/format/format'

export type WordsState = components['schemas']['WordsState']

export interface WordsShown {
  /** They are being read just now. */
  reading: boolean
  /** How far they can be searched; empty where nothing was read yet. */
  words: string
  /** More of that, for those who look. */
  title: string
  /** What can be begun; empty for nothing. */
  offer: string
}

const documents = (n: number): string => `${count(n)} ${n === 1 ? 'document' : 'documents'}`

/** How far the words of a case can be searched, and what can be done about it. */
export function wordsState(state: WordsState): WordsShown {
  const { run, closed, looked, said } = state
  const nothing = { reading: false, title: '', offer: '', words: '' }
  if (closed) return { ...nothing, words: 'words inside: closed by what the customer agreed to', title: closed }
  if (run?.state === 'waiting' || run?.state === 'running') return { ...nothing, reading: true }
  const left = Math.max(0, state.documents - looked)
  const title = looked
    ? `${count(said)} of ${documents(looked)} have words that can be read${run?.trouble ? `; ${run.trouble}` : ''}`
    : 'Text, office documents, PDF and mail can be searched by their words once those were read.'
  const words = looked ? `words inside: ${count(looked)} of ${documents(state.documents)} read` : ''
  const offer = !left ? '' : looked ? `read the other ${count(left)}` : `read the words inside ${documents(left)}`
  return {
    reading: false,
    words: run?.state === 'failed' ? `${words || 'words inside'}; it broke off` : words,
    title,
    offer,
  }
}
