import { createSharedComposable, useTimestamp } from '@vueuse/core'

const STEP_MS = 15_000

/** The time, moving on by itself; one clock for all. */
export const useNow = createSharedComposable(() => useTimestamp({ interval: STEP_MS }))
