import { watchDebounced } from '@vueuse/core'
import { ref, type Ref } from 'vue'
import { api, Refused } from '@/api/client'
import type { FactForm, Ranking } from '@/api/types'

const PAUSE_MS = 120

/** The ranking for facts that are still being entered; late answers to earlier facts are dropped. */
export function useRanking(facts: () => FactForm[]): {
  ranking: Ref<Ranking | undefined>
  refused: Ref<Refused | undefined>
} {
  const ranking = ref<Ranking>()
  const refused = ref<Refused>()
  let latest = 0

  async function rank(given: FactForm[]): Promise<void> {
    const mine = ++latest
    try {
      const found = await api.post('/api/triage/ranking', { body: { facts: given } })
      if (mine === latest) {
        ranking.value = found
        refused.value = undefined
      }
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      if (mine === latest) refused.value = e
    }
  }

  watchDebounced(facts, rank, { debounce: PAUSE_MS, immediate: true, deep: true })
  return { ranking, refused }
}
