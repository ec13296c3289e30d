import { onScopeDispose, readonly, ref, shallowRef, type Ref } from 'vue'
import { Refused } from './client'

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
  stream.addEventListener('hello', () => listeners.forEach((l) => l('*', '*')))
}

/** Ends the stream, as when somebody signs out. */
export function disconnect(): void {
  stream?.close()
  stream = undefined
}

/** Hears of changes until the component goes away. */
export function onChanged(listener: Listener): void {
  connect()
  listeners.add(listener)
  onScopeDispose(() => listeners.delete(listener))
}

export interface Live<T> {
  readonly data: Readonly<Ref<T | undefined>>
  readonly refused: Readonly<Ref<Refused | undefined>>
  /** Fetches again at once. */
  refresh: () => Promise<void>
}

/** Fetches something and keeps it fresh: again whenever the server says that it may have changed. */
export function useLive<T>(
  fetcher: () => Promise<T>,
  concerns: (what: string, caseNumber: string) => boolean,
): Live<T> {
  const data = shallowRef<T>()
  const refused = ref<Refused>()
  let busy = false
  let again = false

  async function refresh(): Promise<void> {
    if (busy) {
      again = true
      return
    }
    busy = true
    try {
      data.value = await fetcher()
      refused.value = undefined
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      refused.value = e
    } finally {
      busy = false
    }
    if (again) {
      again = false
      await refresh()
    }
  }

  onChanged((what, caseNumber) => {
    if (what === '*' || concerns(what, caseNumber)) void refresh()
  })
  void refresh()
  return {
    data: data as Readonly<Ref<T | undefined>>,
    refused: readonly(refused) as Readonly<Ref<Refused | undefined>>,
    refresh,
  }
}
