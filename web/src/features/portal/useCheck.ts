import { computed, ref, shallowRef, type ComputedRef, type Ref } from 'vue'
import type { PortalFile } from '@/api/types'
import {
  checkable,
  isTagFile,
  lineByHash,
  lineFor,
  missingOf,
  sumOf,
  verdictOf,
  type CheckedFile,
  type CheckSum,
} from './check'
import type { PathedFile } from './drop'
import { sha256Of } from './hash'
import { entriesOf } from './zip'

export interface Check {
  results: Readonly<Ref<ReadonlyMap<number, CheckedFile>>>
  sum: ComputedRef<CheckSum>
  busy: Ref<boolean>
  paused: Readonly<Ref<boolean>>
  /** The file that is hashed now, and its share done. */
  at: Ref<{ name: string; share: number } | undefined>
  /** Dropped files that are not on the list. */
  strangers: Ref<string[]>
  /** Listed files that nothing was equal to yet; empty before anything was checked. */
  missing: ComputedRef<PortalFile[]>
  /** Rejects where a ZIP among them cannot be read. */
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

  /** A ZIP that is not itself on the list is looked into: a phone need not unpack it. */
  async function opened(some: PathedFile[]): Promise<PathedFile[]> {
    const all: PathedFile[] = []
    for (const one of some) {
      const listed = lineFor({ path: one.path, size: one.file.size }, checkable(files()))
      if (listed || !/\.zip$/i.test(one.path) || !(one.file instanceof Blob)) all.push(one)
      else all.push(...(await entriesOf(one.file)).map((e) => ({ path: e.path, file: e })))
    }
    return all
  }

  async function checkOne({ path, file }: PathedFile): Promise<void> {
    if (isTagFile(path)) return
    const lines = checkable(files())
    const named = lineFor({ path, size: file.size }, lines)
    try {
      const hash = await sha256Of(
        file,
        (n) => (at.value = { name: path.split('/').at(-1) ?? path, share: n / Math.max(1, file.size) }),
        () => false,
      )
      if (!hash) return
      // Its content says what it is; a name only helps to say what differs.
      const line = named?.sha256 === hash ? named : (lineByHash(hash, lines, results.value) ?? named)
      if (!line) strangers.value = [...strangers.value, path]
      else if (line.sha256 === hash || results.value.get(line.number)?.verdict !== 'equal')
        results.value = new Map(results.value).set(line.number, verdictOf(line, { path, size: file.size }, hash))
    } catch {
      if (named)
        results.value = new Map(results.value).set(named.number, {
          line: named,
          verdict: 'differs',
          why: 'Your browser could not read it; is it still there?',
        })
      else strangers.value = [...strangers.value, path]
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
    missing: computed(() => (results.value.size ? missingOf(checkable(files()), results.value) : [])),
    sum: computed(() => sumOf(results.value, checkable(files()))),
    async add(more) {
      strangers.value = []
      queue.push(...(await opened(more)))
      if (!busy.value) await work()
    },
  }
}
