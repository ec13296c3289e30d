import { useEventListener } from '@vueuse/core'

let touched = Date.now()
for (const touch of ['keydown', 'pointerdown', 'pointermove', 'wheel'])
  useEventListener(typeof window === 'undefined' ? undefined : window, touch, () => (touched = Date.now()), {
    passive: true,
  })

/** For how many seconds nobody touched this page: what it asks by itself keeps no session open. */
export function untouched(): number {
  return Math.floor((Date.now() - touched) / 1000)
}
