import { onScopeDispose, readonly, ref, watch, type Ref } from 'vue'
import { api, Refused } from '@/api/client'
import type { CaseForm } from '@/api/types'
import { nothingHeard, type HeardState } from './heard'

/**
 * What is typed is kept in this browser at every key, and by the server a moment later: it is there again after a
 * reload, after a lost connection, at another desk.
 */

export interface Draft {
  form: CaseForm
  heard: HeardState
  /** The server's version, as it was read or written last. */
  version?: number
}

/**
 * kept: the server has it; here-only: this browser alone; theirs: somebody else wrote in it; gone: somebody logged or
 * dropped it; too-long: kept nowhere but on the screen.
 */
export type DraftState = 'empty' | 'keeping' | 'kept' | 'here-only' | 'theirs' | 'gone' | 'too-long'

const PREFIX = 'brantel-draft-'
const PAUSE_MS = 700
const RETRY_MS = 5000

export function newDraftKey(): string {
  return `new-${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 10)}`
}

/** Each person has a draft of their own for editing a case. */
export function caseDraftKey(number: string, login: string): string {
  return `case-${number}-${login.replace(/[^A-Za-z0-9]/g, '-')}`
}

function parse(text: string | null | undefined): Draft | undefined {
  if (!text) return undefined
  try {
    const draft = JSON.parse(text) as Partial<Draft>
    const whole =
      draft.form?.customer &&
      Array.isArray(draft.form.devices) &&
      draft.form.devices.length > 0 &&
      Array.isArray(draft.form.facts) &&
      Array.isArray(draft.form.wanted) &&
      draft.form.consent
    return whole ? { form: draft.form!, heard: draft.heard ?? nothingHeard(), version: draft.version } : undefined
  } catch {
    return undefined // written by another version, or cut off: as if there were none
  }
}

export function readLocal(key: string): Draft | undefined {
  return parse(localStorage.getItem(PREFIX + key))
}

export function keepLocal(key: string, draft: Draft): void {
  localStorage.setItem(PREFIX + key, JSON.stringify(draft))
}

/** The draft as the server has it; undefined when it has none, or cannot be reached. */
export async function readServer(key: string): Promise<Draft | undefined> {
  try {
    const found = await api.get('/api/drafts/{key}', { path: { key } })
    const draft = parse(found.form)
    return draft && { ...draft, version: found.version }
  } catch (e) {
    if (e instanceof Refused) return undefined
    throw e
  }
}

/** Who it is about, for a list of drafts. */
export function titleOf(form: CaseForm): string {
  return (
    [form.contactPerson, form.customer.name]
      .filter((t) => t.trim())
      .join(', ')
      .slice(0, 150) ||
    form.story.slice(0, 60) ||
    'a call without a name yet'
  )
}

const jsonOf = (draft: Draft) => JSON.stringify([draft.form, draft.heard.refused])

export interface KeptDraft {
  readonly state: Readonly<Ref<DraftState>>
  readonly keptAt: Readonly<Ref<number>>
  /** Writes this person's text over the other's. */
  keepMine: () => Promise<void>
  /** It was found in this browser, and may be newer than what the server has. */
  resume: () => void
  /** What stands now is what was there before anybody typed: nothing to be kept. */
  rest: () => void
  /** Drops it everywhere; the text was logged, or is not wanted. */
  drop: () => Promise<void>
}

export function useKeptDraft(key: string, draft: Ref<Draft>, caseNumber: string | undefined): KeptDraft {
  const state = ref<DraftState>('empty')
  const keptAt = ref(0)
  let timer = 0
  let dropped = false
  let busy = false
  let untouched = jsonOf(draft.value)
  let isLocal = true

  function keepLocal(): void {
    try {
      localStorage.setItem(PREFIX + key, JSON.stringify(draft.value))
      isLocal = true
    } catch {
      isLocal = false // the browser's own room is full; the server may still take it
    }
  }

  const waitsForAPerson = () => state.value === 'theirs' || state.value === 'gone'

  async function send(): Promise<void> {
    if (dropped || busy || waitsForAPerson()) return
    busy = true
    try {
      const { version, ...kept } = draft.value
      const written = await api.put('/api/drafts/{key}', {
        path: { key },
        body: {
          title: titleOf(draft.value.form),
          form: JSON.stringify(kept),
          caseNumber,
          version,
        },
      })
      draft.value.version = written.version
      keepLocal()
      state.value = 'kept'
      keptAt.value = Date.now()
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      state.value = e.status === 409 ? 'theirs' : e.status === 404 ? 'gone' : isLocal ? 'here-only' : 'too-long'
      // What cannot be kept there because it is too long will not fit in five seconds either.
      if (![409, 404, 400, 413].includes(e.status)) timer = window.setTimeout(() => void send(), RETRY_MS)
    } finally {
      busy = false
    }
  }

  const stop = watch(
    () => jsonOf(draft.value),
    (now) => {
      if (dropped || now === untouched) return
      untouched = ''
      keepLocal()
      if (!waitsForAPerson()) state.value = 'keeping'
      clearTimeout(timer)
      timer = window.setTimeout(() => void send(), PAUSE_MS)
    },
  )
  onScopeDispose(() => {
    clearTimeout(timer)
    stop()
    if (state.value === 'keeping') void send()
  })

  return {
    state: readonly(state),
    keptAt: readonly(keptAt),
    async keepMine() {
      const theirs = await readServer(key)
      draft.value.version = theirs?.version
      state.value = 'keeping'
      await send()
    },
    resume() {
      state.value = 'keeping'
      timer = window.setTimeout(() => void send(), PAUSE_MS)
    },
    rest() {
      untouched = jsonOf(draft.value)
    },
    async drop() {
      dropped = true
      clearTimeout(timer)
      localStorage.removeItem(PREFIX + key)
      if (draft.value.version !== undefined || state.value === 'kept') {
        await api.delete('/api/drafts/{key}', { path: { key } }).catch((e: unknown) => {
          // A draft that stays behind is shown on the Desk and can be dropped there.
          if (!(e instanceof Refused)) throw e
        })
      }
    },
  }
}
