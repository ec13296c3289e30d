import { hashKey, QueryClient, useQuery } from '@tanstack/vue-query'
import { computed, onScopeDispose, watch, type ComputedRef, type Ref } from 'vue'
import { tellLink } from './link'
import { api, Refused, type Answer, type Parts, type PathFor } from './client'

type Listener = (what: string, caseNumber: string) => void

const listeners = new Set<Listener>()
let stream: EventSource | undefined

function connect(): void {
  if (stream || typeof EventSource === 'undefined') return
  stream = new EventSource('/api/events')
  stream.addEventListener('changed', (event) => {
    const [what = '', caseNumber = ''] = (event as MessageEvent<string>).data.split(' ')
    listeners.forEach((l) => l(what, caseNumber))
  })
  // After an interruption anything may have changed meanwhile.
  stream.addEventListener('hello', () => {
    tellLink(true)
    listeners.forEach((l) => l('*', '*'))
  })
  stream.addEventListener('error', () => tellLink(false))
}

/** What the server said, shared by all who show it. The server says itself when something may have changed. */
export const queries = new QueryClient({
  defaultOptions: {
    queries: {
      retry: false,
      networkMode: 'always',
      refetchOnWindowFocus: false,
      refetchOnReconnect: false,
      // Nobody hears of changes to what nobody shows.
      gcTime: 0,
    },
  },
})

/** What a question is about: of another case, or another of its devices, nothing is shown in its place. */
function subject(parts: unknown): string {
  const { path, query } = (parts ?? {}) as { path?: unknown; query?: { device?: unknown } }
  return hashKey([path, query?.device])
}

/** One at a time: what changes while it is on its way is asked for once more after it, whoever shows it. */
const changedMeanwhile = new Set<string>()

/** Ends the stream and forgets what was read, as when somebody signs out. */
export function disconnect(): void {
  stream?.close()
  stream = undefined
  queries.clear()
}

/** Hears of changes until the component goes away. */
export function onChanged(listener: Listener): void {
  connect()
  listeners.add(listener)
  onScopeDispose(() => listeners.delete(listener))
}

export interface Live<T> {
  readonly data: Readonly<Ref<T | undefined>>
  readonly refused: ComputedRef<Refused | undefined>
  /** What is shown answers the question before; that of now is on its way. */
  readonly stale: ComputedRef<boolean>
  /** Fetches again at once. */
  refresh: () => Promise<void>
}

/**
 * Fetches something and keeps it fresh: again whenever the server says that it may have changed, or its parts change.
 * Nothing is asked while the parts are undefined.
 */
export function useLive<P extends PathFor<'get'>>(
  path: P,
  parts: () => Parts<P, 'get'> | undefined,
  concerns: (what: string, caseNumber: string) => boolean,
): Live<Answer<P, 'get'>> {
  const asked = computed(parts)
  const query = useQuery(
    {
      queryKey: computed(() => [path, asked.value]),
      queryFn: () => (api.get as (path: P, parts: unknown) => Promise<Answer<P, 'get'>>)(path, asked.value),
      enabled: computed(() => asked.value !== undefined),
      shallow: true,
      placeholderData: (before, asker) => (subject(asker?.queryKey[1]) === subject(asked.value) ? before : undefined),
    },
    queries,
  )
  const key = () => hashKey([path, asked.value])

  function changed(): void {
    if (query.isFetching.value) changedMeanwhile.add(key())
    else if (asked.value !== undefined) void query.refetch({ cancelRefetch: false })
  }
  watch(query.isFetching, (fetching) => {
    if (!fetching && changedMeanwhile.delete(key())) changed()
  })
  watch(query.error, (error) => {
    if (error && !(error instanceof Refused)) throw error
  })
  onChanged((what, caseNumber) => {
    if (what === '*' || concerns(what, caseNumber)) changed()
  })
  return {
    data: computed(() => (asked.value === undefined ? undefined : query.data.value)),
    refused: computed(() => (query.error.value instanceof Refused ? query.error.value : undefined)),
    stale: computed(() => query.isPlaceholderData.value),
    refresh: async () => void (asked.value !== undefined && (await query.refetch())),
  }
}
