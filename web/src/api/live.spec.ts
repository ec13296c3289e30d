import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'

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
beforeEach(async () => {
  vi.stubGlobal('EventSource', FakeStream)
  vi.resetModules()
  live = await import('./live')
})
afterEach(() => vi.unstubAllGlobals())

describe('what is shown', () => {
  it('is fetched again when the server says that it changed, and only then', async () => {
    const fetcher = vi.fn(async () => fetcher.mock.calls.length)
    const scope = effectScope()
    const shown = scope.run(() => live.useLive(fetcher, (what, c) => what === 'imaging' && c === 'BR-1'))!
    await flushPromises()
    expect(shown.data.value).toBe(1)
    FakeStream.last?.say('changed', 'imaging BR-2')
    FakeStream.last?.say('changed', 'scan BR-1')
    await flushPromises()
    expect(fetcher).toHaveBeenCalledTimes(1)
    FakeStream.last?.say('changed', 'imaging BR-1')
    await flushPromises()
    expect(shown.data.value).toBe(2)
    scope.stop()
    FakeStream.last?.say('changed', 'imaging BR-1')
    await flushPromises()
    expect(fetcher).toHaveBeenCalledTimes(2)
  })
  it('is fetched again after an interruption', async () => {
    const fetcher = vi.fn(async () => 1)
    effectScope().run(() => live.useLive(fetcher, () => false))
    await flushPromises()
    FakeStream.last?.say('hello')
    await flushPromises()
    expect(fetcher).toHaveBeenCalledTimes(2)
  })
  it('is never fetched twice at once, however fast things change', async () => {
    let running = 0
    let most = 0
    const fetcher = vi.fn(async () => {
      most = Math.max(most, ++running)
      await Promise.resolve()
      running--
      return 1
    })
    effectScope().run(() => live.useLive(fetcher, () => true))
    for (let i = 0; i < 20; i++) FakeStream.last?.say('changed', 'imaging BR-1')
    await flushPromises()
    expect(most).toBe(1)
    expect(fetcher).toHaveBeenCalledTimes(2)
  })
  it('stays, with the refusal beside it, when fetching fails', async () => {
    const client = await import('./client')
    let fail = false
    const shown = effectScope().run(() =>
      live.useLive(
        async () => {
          if (fail) throw new client.Refused(500, 'The server answered 500.')
          return 'there'
        },
        () => true,
      ),
    )!
    await flushPromises()
    fail = true
    FakeStream.last?.say('changed', 'case BR-1')
    await flushPromises()
    expect(shown.data.value).toBe('there')
    expect(shown.refused.value?.message).toBe('The server answered 500.')
  })
})
