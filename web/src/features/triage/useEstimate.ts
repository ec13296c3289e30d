import { watchDebounced } from '@vueuse/core'
import { ref, type Ref } from 'vue'
import { api, Refused } from '@/api/client'
import type { CaseForm, Estimate } from '@/api/types'
import { factsForRanking } from '@/features/cases'

const PAUSE_MS = 350

/** The estimate for the path that leads, while a case is being entered; nothing before a device is named. */
export function useEstimate(form: () => CaseForm): Readonly<Ref<Estimate | undefined>> {
  const estimate = ref<Estimate>()
  let latest = 0

  async function ask(given: CaseForm): Promise<void> {
    const mine = ++latest
    const devices = given.devices
      .filter((d) => d.type)
      .map((d) => ({ type: d.type, capacity: d.capacity, attachedBy: d.attachedBy }))
    if (!devices.length || !given.facts.length) {
      estimate.value = undefined
      return
    }
    try {
      const found = await api.post('/api/triage/estimate', {
        body: {
          facts: factsForRanking(given),
          devices,
          deadline: given.deadline || undefined,
        },
      })
      if (mine === latest) estimate.value = found
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      if (mine === latest) estimate.value = undefined // the ranking says what is wrong
    }
  }

  watchDebounced(
    () =>
      JSON.stringify([form().facts, form().devices.map((d) => [d.type, d.capacity, d.attachedBy]), form().deadline]),
    () => ask(form()),
    { debounce: PAUSE_MS, immediate: true },
  )
  return estimate
}
