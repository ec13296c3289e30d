// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'

class FakeStream {
  static last: FakeStream | undefined
  readonly listeners = new Map<string, (e: { data: string }) => void>()
  constructor() {
    FakeStream.last = this
  }
  addEventListener(name: string, listener: (e: { data: string }) => void): void {
    this.listeners.set(name, listener)
  }
  close(): void {
    FakeStream.last = undefined
  }
  say(name: string, data = ''): void {
    this.listeners.get(name)?.({ data })
  }
}

let live: typeof import('./live')
let answer: () => Promise<Response>
const fetched = vi.fn(async (_request: Request) => answer())
const json = (value: unknown) => new Response(JSON.stringify(value))
beforeEach(async () => {
  vi.stubGlobal('EventSource', FakeStream)
  vi.stubGlobal('fetch', fetched)
  fetched.mockClear()
  answer = async () => json({ unread: fetched.mock.calls.length })
  vi.resetModules()
  live = await import('./live')
})
afterEach(() => vi.unstubAllGlobals())
/** Until nothing is on its way any more. */
async function settled(): Promise<void> {
  await vi.waitFor(() => expect(live.queries.isFetching()).toBe(0))
  await flushPromises()
}

describe('what is shown', () => {
  it('is fetched again when the server says that it changed, and only then', async () => {
    const scope = effectScope()
    const shown = scope.run(() =>
      live.useLive(
        '/api/bench',
        () => ({}),
        (what, c) => what === 'imaging' && c === 'BR-1',
      ),
    )!
    await settled()
    expect(shown.data.value).toEqual({ unread: 1 })
    FakeStream.last?.say('changed', 'imaging BR-2')
    FakeStream.last?.say('changed', 'scan BR-1')
    await settled()
    expect(fetched).toHaveBeenCalledTimes(1)
    FakeStream.last?.say('changed', 'imaging BR-1')
    await settled()
    expect(shown.data.value).toEqual({ unread: 2 })
    scope.stop()
    FakeStream.last?.say('changed', 'imaging BR-1')
    await settled()
    expect(fetched).toHaveBeenCalledTimes(2)
  })
  it('is fetched again after an interruption', async () => {
    effectScope().run(() =>
      live.useLive(
        '/api/bench',
        () => ({}),
        () => false,
      ),
    )
    await settled()
    FakeStream.last?.say('hello')
    await settled()
    expect(fetched).toHaveBeenCalledTimes(2)
  })
  it('is never fetched twice at once, however fast things change, nor by two who show the same', async () => {
    let running = 0
    let most = 0
    answer = async () => {
      most = Math.max(most, ++running)
      await Promise.resolve()
      running--
      return json([])
    }
    for (let i = 0; i < 2; i++)
      effectScope().run(() =>
        live.useLive(
          '/api/bench',
          () => ({}),
          () => true,
        ),
      )
    for (let i = 0; i < 20; i++) FakeStream.last?.say('changed', 'imaging BR-1')
    await settled()
    await settled()
    expect(most).toBe(1)
    expect(fetched).toHaveBeenCalledTimes(2)
  })
  it('is asked for again after a change in the very moment in which it was asked for', async () => {
    effectScope().run(() =>
      live.useLive(
        '/api/bench',
        () => ({}),
        () => true,
      ),
    )
    await settled()
    FakeStream.last?.say('changed', 'imaging BR-1')
    FakeStream.last?.say('changed', 'scan BR-1')
    await settled()
    await settled()
    expect(fetched).toHaveBeenCalledTimes(3)
  })
  it('is asked for anew when its parts change, and not at all without any', async () => {
    const number = ref<string>()
    const shown = effectScope().run(() =>
      live.useLive(
        '/api/cases/{number}',
        () => (number.value ? { path: { number: number.value } } : undefined),
        () => true,
      ),
    )!
    FakeStream.last?.say('changed', 'case BR-1')
    await settled()
    expect(fetched).not.toHaveBeenCalled()
    for (const one of ['BR-1', 'BR-2']) {
      number.value = one
      await nextTick()
      await settled()
      expect(fetched.mock.calls.at(-1)![0].url).toContain(`/api/cases/${one}`)
    }
    expect(shown.data.value).toEqual({ unread: 2 })
  })
  it('stays while a list is asked otherwise, and never stands for another device', async () => {
    const scope = effectScope()
    const asked = ref({ path: { number: 'BR-1' }, query: { device: 1, name: 'a' } })
    const shown = scope.run(() =>
      live.useLive(
        '/api/cases/{number}/catalogue',
        () => asked.value as never,
        () => false,
      ),
    )!
    await settled()
    const first = shown.data.value
    expect(first).toEqual({ unread: 1 })
    asked.value = { path: { number: 'BR-1' }, query: { device: 1, name: 'b' } }
    await nextTick()
    expect(shown.data.value).toEqual(first)
    expect(shown.stale.value).toBe(true)
    await settled()
    asked.value = { path: { number: 'BR-1' }, query: { device: 2, name: 'b' } }
    await nextTick()
    expect(shown.data.value).toBeUndefined()
    await settled()
    expect(shown.data.value).toEqual({ unread: 3 })
    scope.stop()
  })

  it('stays, with the refusal beside it, when fetching fails', async () => {
    const shown = effectScope().run(() =>
      live.useLive(
        '/api/bench',
        () => ({}),
        () => true,
      ),
    )!
    await settled()
    answer = async () => new Response('{"detail":"The bench is shut."}', { status: 500 })
    FakeStream.last?.say('changed', 'case BR-1')
    await settled()
    expect(shown.data.value).toEqual({ unread: 1 })
    expect(shown.refused.value?.message).toBe('The bench is shut.')
  })
})
