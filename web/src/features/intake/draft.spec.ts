// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref } from 'vue'
import {
  caseDraftKey,
  newDraftKey,
  readLocal,
  readServer,
  titleOf,
  useKeptDraft,
  type Draft,
  type KeptDraft,
} from './draft'
import { emptyForm } from '@/features/cases'
import { nothingHeard } from './heard'

const sent: { method: string; path: string; body: string }[] = []
let answer: () => Response
beforeEach(() => {
  vi.useFakeTimers()
  localStorage.clear()
  sent.length = 0
  let version = 0
  answer = () => new Response(JSON.stringify({ version: version++ }))
  vi.stubGlobal('fetch', async (request: Request) => {
    sent.push({ method: request.method, path: new URL(request.url).pathname, body: await request.text() })
    return answer()
  })
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

function typing(): { draft: ReturnType<typeof ref<Draft>>; kept: KeptDraft; type: (name: string) => Promise<void> } {
  const draft = ref<Draft>({ form: emptyForm(), heard: nothingHeard() })
  const kept = effectScope().run(() => useKeptDraft('new-test-1', draft as never, undefined))!
  return {
    draft,
    kept,
    async type(name) {
      draft.value!.form.customer.name = name
      await flushPromises()
    },
  }
}

describe('a draft', () => {
  it('is in this browser at once and with the server a moment later', async () => {
    const { kept, type } = typing()
    await type('Skerrow Village Band')
    expect(readLocal('new-test-1')?.form.customer.name).toBe('Skerrow Village Band')
    expect(sent).toHaveLength(0)
    await vi.advanceTimersByTimeAsync(800)
    expect(sent[0]).toMatchObject({ method: 'PUT', path: '/api/drafts/new-test-1' })
    expect(JSON.parse(sent[0]!.body)).toMatchObject({ title: 'Skerrow Village Band' })
    expect(kept.state.value).toBe('kept')
  })
  it('is sent with the version that was written last', async () => {
    const { type } = typing()
    await type('A')
    await vi.advanceTimersByTimeAsync(800)
    await type('B')
    await vi.advanceTimersByTimeAsync(800)
    expect(JSON.parse(sent[1]!.body).version).toBe(0)
  })
  it('says that it is here only while the server is away, and is sent when it is back', async () => {
    const { kept, type } = typing()
    const well = answer
    answer = () => {
      throw new TypeError('no network')
    }
    await type('A')
    await vi.advanceTimersByTimeAsync(800)
    expect(kept.state.value).toBe('here-only')
    answer = well
    await vi.advanceTimersByTimeAsync(5100)
    expect(kept.state.value).toBe('kept')
  })
  it('is not written over what somebody else wrote, unless a person says so', async () => {
    const { kept, type } = typing()
    const well = answer
    answer = () => new Response('{"detail":"Petra has written in this draft meanwhile."}', { status: 409 })
    await type('A')
    await vi.advanceTimersByTimeAsync(800)
    expect(kept.state.value).toBe('theirs')
    await type('AB')
    await vi.advanceTimersByTimeAsync(9000)
    expect(sent).toHaveLength(1)
    answer = well
    await kept.keepMine()
    expect(kept.state.value).toBe('kept')
  })
  it('that fits nowhere says so instead of pretending', async () => {
    const { kept, type } = typing()
    vi.stubGlobal('localStorage', {
      setItem: () => {
        throw new DOMException('full', 'QuotaExceededError')
      },
    })
    answer = () => new Response('{"detail":"What was sent is larger than 2 MiB."}', { status: 413 })
    await type('a book')
    await vi.advanceTimersByTimeAsync(800)
    expect(kept.state.value).toBe('too-long')
  })
  it('is gone everywhere once it is logged', async () => {
    const { kept, type } = typing()
    await type('A')
    await vi.advanceTimersByTimeAsync(800)
    await kept.drop()
    expect(readLocal('new-test-1')).toBeUndefined()
    expect(sent.at(-1)).toMatchObject({ method: 'DELETE' })
    await type('B')
    expect(readLocal('new-test-1')).toBeUndefined()
  })
  it('that was cut off, or is of another version, is as if there were none', async () => {
    localStorage.setItem('brantel-draft-x', '{"form":{"cust')
    expect(readLocal('x')).toBeUndefined()
    localStorage.setItem('brantel-draft-x', '{"customer":{},"device":{},"facts":[],"wanted":[]}')
    expect(readLocal('x')).toBeUndefined()
    answer = () => new Response('{"detail":"dropped"}', { status: 404 })
    expect(await readServer('x')).toBeUndefined()
  })
})

describe('the key of a draft', () => {
  it("is new for each call and a person's own for each case", () => {
    expect(newDraftKey()).not.toBe(newDraftKey())
    expect(newDraftKey()).toMatch(/^[A-Za-z0-9-]{8,60}$/)
    expect(caseDraftKey('BR-2611-0001', 'una.f')).toBe('case-BR-2611-0001-una-f')
  })
  it('has a title that tells who called', () => {
    expect(titleOf({ ...emptyForm(), contactPerson: 'Ruth Ansley' })).toBe('Ruth Ansley')
    expect(titleOf({ ...emptyForm(), story: 'fell off the bench' })).toBe('fell off the bench')
    expect(titleOf(emptyForm())).toBe('a call without a name yet')
  })
})
