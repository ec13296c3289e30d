import { computed, ref, shallowRef, type ComputedRef, type Ref } from 'vue'
import type { PortalFile } from '@/api/types'
import { checkable, isTagFile, lineFor, sumOf, verdictOf, type CheckedFile, type CheckSum } from './check'
import type { PathedFile } from './drop'
import { sha256Of } from './hash'

export interface Check {
  results: Readonly<Ref<ReadonlyMap<number, CheckedFile>>>
  sum: ComputedRef<CheckSum>
  busy: Ref<boolean>
  paused: Readonly<Ref<boolean>>
  /** The file that is hashed now, and its share done. */
  at: Ref<{ name: string; share: number } | undefined>
  /** Dropped files that are not on the list. */
  strangers: Ref<string[]>
  add: (files: PathedFile[]) => Promise<void>
  /** Holds between two files and blocks, or goes on. */
  hold: (on: boolean) => void
}

/** Hashes what the customer drops, one file at a time, and compares it with the list. */
export function useCheck(files: () => readonly PortalFile[]): Check {
  const results = shallowRef<ReadonlyMap<number, CheckedFile>>(new Map())
  const strangers = ref<string[]>([])
  const busy = ref(false)
  const paused = ref(false)
  const at = ref<{ name: string; share: number }>()
  const queue: PathedFile[] = []
  let resume: (() => void) | undefined

  async function work(): Promise<void> {
    busy.value = true
    for (let next = queue.shift(); next; next = queue.shift()) {
      if (paused.value) await new Promise<void>((go) => (resume = go))
      await checkOne(next)
    }
    busy.value = false
    at.value = undefined
  }

  async function checkOne({ path, file }: PathedFile): Promise<void> {
    const lines = checkable(files())
    const line = lineFor({ path, size: file.size }, lines)
    if (!line) {
      if (!isTagFile(path)) strangers.value = [...strangers.value, path]
      return
    }
    try {
      const hash = await sha256Of(
        file,
        (n) => (at.value = { name: line.name, share: n / Math.max(1, file.size) }),
        () => false,
      )
      if (hash)
        results.value = new Map(results.value).set(line.number, verdictOf(line, { path, size: file.size }, hash))
    } catch {
      results.value = new Map(results.value).set(line.number, {
        line,
        verdict: 'differs',
        why: 'Your browser could not read it; is it still there?',
      })
    }
  }

  return {
    results,
    strangers,
    busy,
    at,
    paused,
    hold(on) {
      paused.value = on
      if (!on) resume?.()
    },
    sum: computed(() => sumOf(results.value, checkable(files()))),
    async add(more) {
      strangers.value = []
      queue.push(...more)
      if (!busy.value) await work()
    },
  }
}
