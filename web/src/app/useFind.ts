import { watchDebounced } from '@vueuse/core'
import { computed, ref, shallowRef, type ComputedRef, type Ref } from 'vue'
import { api, Refused } from '@/api/client'
import type { FindGoal } from '@/api/types'
import { goalsFor } from './find'

const PAUSE_MS = 60

/** What is typed into the find box, and what may be gone to. */
export interface Find {
  text: Ref<string>
  goals: ComputedRef<FindGoal[]>
  chosen: Ref<number>
  /** What is offered answers something that was typed before. */
  looking: ComputedRef<boolean>
  /** Each search begins with nothing. */
  afresh: () => void
  /** One typed on: what was chosen, or was to be gone to, was for other words. */
  typed: () => void
  move: (by: number) => void
  /** Goes to what is chosen; where nothing was picked out of the list, only once all that was typed is answered. */
  enter: () => void
}

/**
 * The search behind the find box.
 *
 * @param go is told where to
 */
export function useFind(go: (to: string) => void): Find {
  const text = ref('')
  const chosen = ref(0)
  const cases = shallowRef<FindGoal[]>([])
  const answered = ref('')
  const goals = computed(() => goalsFor(text.value, cases.value))
  const looking = computed(() => answered.value !== text.value)
  let latest = 0
  let entered = false

  async function ask(typed: string): Promise<FindGoal[]> {
    try {
      return typed.trim() ? await api.get('/api/find', { query: { q: typed } }) : []
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      return [] // rooms and actions are still offered
    }
  }
  async function look(typed: string): Promise<void> {
    const mine = ++latest
    const found = await ask(typed)
    if (mine !== latest) return
    cases.value = found
    answered.value = typed
    if (entered) enter()
  }
  watchDebounced(text, look, { debounce: PAUSE_MS })

  function enter(): void {
    entered = looking.value && chosen.value === 0
    const to = goals.value[chosen.value]?.to
    if (!entered && to) go(to)
  }
  function typed(): void {
    chosen.value = 0
    entered = false
  }
  function afresh(): void {
    latest++
    text.value = ''
    answered.value = ''
    cases.value = []
    typed()
  }
  function move(by: number): void {
    chosen.value = (chosen.value + by + goals.value.length) % Math.max(1, goals.value.length)
  }
  return { text, goals, chosen, looking, afresh, typed, move, enter }
}
