import { computed, readonly, ref, type ComputedRef, type Ref } from 'vue'

/**
 * How the link to the server is: what was asked and is not answered, and since when nothing answers. A request is told
 * of when it is sent and when it ends, the stream of changes when it breaks and when it stands.
 */

/** A person sees that something runs after this long, and that it takes unusually long after that. */
const RUNS_MS = 300
const SLOW_MS = 6000
const LOOK_MS = 150

interface Asked {
  since: number
  /** A person waits for it: it changes something, or nothing is shown before. */
  awaited: boolean
}
const asked = new Map<symbol, Asked>()
const now = ref(0)
const lostSince = ref<number>()
const lostPart = ref<string>()
let looking: ReturnType<typeof setInterval> | undefined

function look(): void {
  now.value = Date.now()
  if (asked.size === 0) {
    clearInterval(looking)
    looking = undefined
  }
}

/** @returns to be called when the request has ended, with whether the server answered */
export function tellAsked(awaited: boolean): (answered: boolean) => void {
  const request = Symbol('request')
  asked.set(request, { since: Date.now(), awaited })
  looking ??= setInterval(look, LOOK_MS)
  return (answered) => {
    asked.delete(request)
    now.value = Date.now()
    if (answered) tellLink(true)
  }
}

/** The stream of changes broke, or stands; an answer says as much. */
export function tellLink(stands: boolean): void {
  lostSince.value = stands ? undefined : (lostSince.value ?? Date.now())
}

/** A part of the front end did not come; undefined once one did. @param address where it is */
export function tellPart(address: string | undefined): void {
  lostPart.value = address
}

export interface Link {
  /** Where the part is that did not come. */
  readonly lostPart: Readonly<Ref<string | undefined>>
  /** Since when nothing answers, in milliseconds of the epoch. */
  readonly lostSince: Readonly<Ref<number | undefined>>
  /** Something that a person waits for runs. */
  readonly busy: ComputedRef<boolean>
  /** It takes unusually long. */
  readonly slow: ComputedRef<boolean>
}

export function useLink(): Link {
  const longest = computed(() =>
    Math.max(0, ...[...asked.values()].filter((a) => a.awaited).map((a) => now.value - a.since)),
  )
  return {
    lostSince: readonly(lostSince),
    lostPart: readonly(lostPart),
    busy: computed(() => longest.value > RUNS_MS),
    slow: computed(() => longest.value > SLOW_MS),
  }
}
