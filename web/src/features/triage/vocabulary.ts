import { shallowRef, type ShallowRef } from 'vue'
import { api } from '@/api/client'
import type { Vocabulary } from '@/api/types'

const vocabulary = shallowRef<Vocabulary>()
let asked: Promise<void> | undefined

/** The protocol's codes, values and questions; fetched once. */
export function useVocabulary(): Readonly<ShallowRef<Vocabulary | undefined>> {
  asked ??= api.get('/api/triage/vocabulary').then(
    (v) => void (vocabulary.value = v),
    () => void (asked = undefined), // shown as missing choices; the next screen asks again
  )
  return vocabulary
}

/** After another protocol was adopted. */
export function forgetVocabulary(): void {
  asked = undefined
  useVocabulary()
}
