import { watchDebounced } from '@vueuse/core'
import { computed, shallowRef, type Ref } from 'vue'
import { api, Refused } from '@/api/client'
import type { Heard } from '@/api/types'
import type { Draft } from './draft'
import { applyHeard, itemsOf, refuse, settleHeard, type HeardItem, type Say, type TakenBack } from './heard'

const PAUSE_MS = 140
const NOTHING: Heard = { facts: [], wanted: [], others: [], takenBack: [] }

export interface HearingLine {
  /** What is picked out of the line just now, in its order; what was taken away is not among it. */
  readonly items: Readonly<Ref<HeardItem[]>>
  /** What was said and then taken back by what was said after it. */
  readonly takenBack: Readonly<Ref<readonly TakenBack[]>>
  /** Why nothing is picked out, when it cannot be. */
  readonly refused: Readonly<Ref<Refused | undefined>>
  /** Takes one thing away for good. */
  takeAway: (key: string) => void
}

/**
 * Listens to the free line while it is typed; late answers to earlier words are dropped.
 *
 * @param loggedBefore the line was heard when the case was logged; only what is new in it may bring something
 * @param say          how a fact is said
 */
export function useHeard(
  draft: Ref<Draft>,
  isMany: (code: string) => boolean,
  loggedBefore: () => boolean,
  say?: Say,
): HearingLine {
  const heard = shallowRef<{ line: string; found: Heard }>({ line: '', found: NOTHING })
  const refused = shallowRef<Refused>()
  let latest = 0
  let settledLine: string | undefined

  async function hear(line: string): Promise<void> {
    const mine = ++latest
    try {
      const found = line.trim() ? await api.post('/api/intake/heard', { body: { text: line } }) : NOTHING
      if (mine !== latest) return
      const settled =
        line.trim() && loggedBefore() && settledLine === undefined
          ? settleHeard(draft.value.form, found, line)
          : draft.value.heard
      if (line.trim()) settledLine ??= line
      const next = applyHeard(draft.value.form, settled, found, line, isMany)
      draft.value = { ...draft.value, form: next.form, heard: next.state }
      heard.value = { line, found }
      refused.value = undefined
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      if (mine === latest) refused.value = e
    }
  }

  watchDebounced(() => draft.value.form.story, hear, { debounce: PAUSE_MS, immediate: true })

  return {
    items: computed(() =>
      heard.value.line === draft.value.form.story
        ? itemsOf(heard.value.found, heard.value.line, say).filter((i) => draft.value.heard.taken.includes(i.key))
        : [],
    ),
    takenBack: computed(() => (heard.value.line === draft.value.form.story ? heard.value.found.takenBack : [])),
    refused,
    takeAway(key) {
      const next = refuse(draft.value.form, draft.value.heard, key)
      draft.value = { ...draft.value, form: next.form, heard: next.state }
    },
  }
}
