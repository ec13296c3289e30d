import { onScopeDispose, readonly, ref, type Ref } from 'vue'

const now = ref(Date.now())
let users = 0
let timer = 0
const STEP_MS = 15_000

/** The time, moving on by itself; one clock for all. */
export function useNow(): Readonly<Ref<number>> {
  if (users++ === 0) {
    now.value = Date.now()
    timer = window.setInterval(() => (now.value = Date.now()), STEP_MS)
  }
  onScopeDispose(() => {
    if (--users === 0) clearInterval(timer)
  })
  return readonly(now)
}
