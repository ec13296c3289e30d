import { onScopeDispose, shallowRef, type Ref } from 'vue'
import { api, Refused } from '@/api/client'
import { onChanged } from '@/api/live'
import type { Desk, Work } from '@/api/types'

/** Progress is told many times a second; what needs a decision is looked at this often at most. */
const CALM_MS = 1500
const PROGRESS = new Set(['imaging', 'scan', 'recovery'])

const desk = shallowRef<Desk>()
const running = shallowRef<Work[]>()
const refused = shallowRef<Refused>()
const all = shallowRef(false)
const FEW = 40
const ALL = 1000
let users = 0
let timer = 0
let last = 0
let working = false

async function fetchInto<T>(fetcher: () => Promise<T>, into: Ref<T | undefined>): Promise<void> {
  try {
    into.value = await fetcher()
    refused.value = undefined
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    refused.value = e
  }
}

async function refresh(): Promise<void> {
  clearTimeout(timer)
  timer = 0
  last = Date.now()
  await fetchInto(() => api.get('/api/desk', { query: { listed: all.value ? ALL : FEW } }), desk)
  running.value = desk.value?.running
}

function soon(): void {
  if (!timer) timer = window.setTimeout(() => void refresh(), Math.max(0, last + CALM_MS - Date.now()))
}

async function progress(): Promise<void> {
  if (working) return
  working = true
  await fetchInto(() => api.get('/api/running'), running)
  working = false
}

export interface SharedDesk {
  readonly desk: Readonly<Ref<Desk | undefined>>
  /** Long work, fresher than the Desk's own. */
  readonly running: Readonly<Ref<Work[] | undefined>>
  readonly refused: Readonly<Ref<Refused | undefined>>
  refresh: () => Promise<void>
  /** Lists every decision, not only the most pressing ones. */
  showAll: () => Promise<void>
}

/** The Desk, fetched once for all who show something of it. */
export function useDesk(): SharedDesk {
  if (users++ === 0) void refresh()
  onChanged((what) => {
    if (PROGRESS.has(what)) void progress()
    soon()
  })
  onScopeDispose(() => {
    if (--users === 0) clearTimeout(timer)
  })
  return {
    desk,
    running,
    refused,
    refresh,
    showAll() {
      all.value = true
      return refresh()
    },
  }
}
