// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import type { FactForm } from '@/api/types'
import { useRanking } from './useRanking'

const waiting: ((protocol: string) => void)[] = []

beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal(
    'fetch',
    vi.fn(
      () =>
        new Promise<Response>((answer) =>
          waiting.push((protocol) => answer(new Response(JSON.stringify({ protocol })))),
        ),
    ),
  )
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
  waiting.length = 0
})
const fact = (value: string): FactForm => ({ code: 'symptom.noise', value, source: 'told' })

describe('the ranking beside the form', () => {
  it('asks once for a burst of facts, and drops an answer that comes too late', async () => {
    const facts = ref<FactForm[]>([])
    const scope = effectScope()
    const { ranking } = scope.run(() => useRanking(() => facts.value))!
    facts.value = [fact('none')]
    await nextTick()
    facts.value = [fact('clicking')]
    await nextTick()
    await vi.advanceTimersByTimeAsync(200)
    expect(fetch).toHaveBeenCalledTimes(1)
    facts.value = [fact('grinding')]
    await nextTick()
    await vi.advanceTimersByTimeAsync(200)
    expect(waiting).toHaveLength(2)
    waiting[1]!('second')
    await flushPromises()
    waiting[0]!('first')
    await flushPromises()
    expect(ranking.value?.protocol).toBe('second')
    scope.stop()
  })
})
