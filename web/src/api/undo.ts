import { computed, readonly, ref, shallowReadonly, shallowRef, type ComputedRef, type Ref } from 'vue'
import { Refused } from './client'

/** Something that was done and can be taken back. */
export interface Undoable {
  readonly words: string
  readonly at: number
  readonly undo: () => Promise<unknown>
}

/** How long an action can be taken back, and how long the newest is held under one's eyes. */
const LASTS_MS = 5 * 60_000
const SHOWN_MS = 20_000
const MOST = 8
/** Newest first. */
const done = shallowRef<readonly Undoable[]>([])
const shown = ref(false)
const trouble = ref('')
let hiding = 0

const without = (u: Undoable): readonly Undoable[] => done.value.filter((x) => x !== u)

/** @param how quiet where the screen itself shows the way back, so that it is not held under one's eyes */
export function offerUndo(words: string, undo: () => Promise<unknown>, how: { quiet?: boolean } = {}): Undoable {
  const offered: Undoable = { words, undo, at: Date.now() }
  clearTimeout(hiding)
  trouble.value = ''
  done.value = [offered, ...done.value].slice(0, MOST)
  shown.value = !how.quiet
  hiding = window.setTimeout(() => (shown.value = false), SHOWN_MS)
  window.setTimeout(() => (done.value = without(offered)), LASTS_MS)
  return offered
}

/** Forgets all, as when somebody signs out. */
export function forgetUndo(): void {
  clearTimeout(hiding)
  done.value = []
  shown.value = false
}

export interface Undo {
  /** All that can be taken back, newest first. */
  readonly done: Readonly<Ref<readonly Undoable[]>>
  /** The newest of it. */
  readonly newest: ComputedRef<Undoable | undefined>
  /** Whether it is held under one's eyes. */
  readonly shown: Readonly<Ref<boolean>>
  readonly trouble: Readonly<Ref<string>>
  /** Takes back this one. */
  undo: (which: Undoable | undefined) => Promise<void>
  dismiss: () => void
}

export function useUndo(): Undo {
  return {
    done: shallowReadonly(done),
    newest: computed(() => done.value[0]),
    shown: readonly(shown),
    trouble: readonly(trouble),
    async undo(which) {
      if (!which || !done.value.includes(which)) return
      const before = done.value
      done.value = without(which)
      trouble.value = ''
      try {
        await which.undo()
        shown.value = shown.value && done.value.length > 0
      } catch (e) {
        done.value = before
        if (!(e instanceof Refused)) throw e
        trouble.value = `${which.words} ${e.message}`
        shown.value = true
      }
    },
    dismiss: () => (shown.value = false),
  }
}
