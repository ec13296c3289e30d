import { useEventListener, useIntervalFn } from '@vueuse/core'
import { onScopeDispose, shallowRef, watch, type Ref } from 'vue'
import { api, Refused, type Answer } from '@/api/client'
import { onChanged } from '@/api/live'

export type Here = Answer<'/api/cases/{number}/presence', 'put'>[number]

const AGAIN_MS = 20_000

/** Says that this person looks at a case, and hears who else does. */
export function usePresence(number: string, place: () => string): Readonly<Ref<Here[]>> {
  const others = shallowRef<Here[]>([])
  let gone = false

  async function say(): Promise<void> {
    if (gone || document.visibilityState === 'hidden') return
    try {
      others.value = await api.put('/api/cases/{number}/presence', { path: { number }, body: { place: place() } })
    } catch (e) {
      // Who else is here is not known then; the strip of the frame says when nothing answers.
      if (!(e instanceof Refused)) throw e
      others.value = []
    }
  }
  watch(place, say, { immediate: true })
  useIntervalFn(say, AGAIN_MS)
  useEventListener(document, 'visibilitychange', say)
  onChanged((what, c) => {
    if (what === 'presence' && c === number) void say()
  })
  onScopeDispose(() => {
    gone = true
    void api.delete('/api/cases/{number}/presence', { path: { number } }).catch(() => undefined)
  })
  return others
}
