import { readonly, shallowRef, type Ref } from 'vue'
import { Refused } from './client'

/** The latest decision that can be undone; shown until the next one, or for a while. */
export interface Undoable {
  words: string
  undo: () => Promise<unknown>
}

const LASTS_MS = 20_000
const current = shallowRef<Undoable>()
const trouble = shallowRef('')
let timer = 0

export function offerUndo(words: string, undo: () => Promise<unknown>): void {
  clearTimeout(timer)
  trouble.value = ''
  current.value = { words, undo }
  timer = window.setTimeout(() => (current.value = undefined), LASTS_MS)
}

export function useUndo(): {
  current: Readonly<Ref<Undoable | undefined>>
  trouble: Readonly<Ref<string>>
  undo: () => Promise<void>
  dismiss: () => void
} {
  return {
    current: readonly(current) as Readonly<Ref<Undoable | undefined>>,
    trouble: readonly(trouble),
    async undo() {
      const mine = current.value
      if (!mine) return
      try {
        await mine.undo()
        if (current.value === mine) current.value = undefined
      } catch (e) {
        if (!(e instanceof Refused)) throw e
        trouble.value = e.message
      }
    },
    dismiss: () => (current.value = undefined),
  }
}
