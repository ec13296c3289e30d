import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { useUndo } from '@/api/undo'
import type { Decision } from '@/api/types'
import { act, daysFromNow } from './act'

const calls: string[] = []
beforeEach(() => {
  calls.length = 0
  vi.stubGlobal('fetch', async (path: string, init: RequestInit) => {
    calls.push(`${init.method ?? 'GET'} ${path} ${String(init.body ?? '')}`)
    return new Response(JSON.stringify({ version: 4, id: 12, hold: { reason: 'waits for a cable' } }))
  })
})
afterEach(() => vi.unstubAllGlobals())
const decision = { caseNumber: 'BR-1' } as Decision

it('takes a path with the version that stands, and takes it back', async () => {
  await act(decision, { code: 'decide', label: 'Take it', argument: 'careful-imaging' })
  expect(calls[1]).toBe('POST /api/cases/BR-1/triage/decision {"path":"careful-imaging","reason":"","version":4}')
  expect(useUndo().current.value?.words).toBe('BR-1: careful imaging was decided.')
  await useUndo().undo()
  expect(calls[2]).toContain('POST /api/cases/BR-1/triage/undo')
  expect(useUndo().current.value).toBeUndefined()
})
it('undoes each with its opposite', async () => {
  for (const [code, opposite] of [
    ['resume', '/api/imaging/7/pause'],
    ['scan', '/api/scans/12/stop'],
    ['wake', 'waits for a cable'],
    ['hold-week', '/api/cases/BR-1/wake'],
    ['seen', 'DELETE /api/mentions/7/seen'],
    ['retry-mail', '/api/outbox/7/cancel'],
  ] as const) {
    await act(decision, { code, label: '', argument: '7' })
    await useUndo().undo()
    expect(calls.at(-1), code).toContain(opposite)
  }
})
it('says why it could not be undone', async () => {
  await act(decision, { code: 'seen', label: '', argument: '7' })
  vi.stubGlobal('fetch', async () => new Response('{"sentence":"It has gone on since."}', { status: 409 }))
  await useUndo().undo()
  expect(useUndo().trouble.value).toBe('It has gone on since.')
})
it('does not swallow an action that nobody knows', async () => {
  await expect(act(decision, { code: 'sing', label: '', argument: '' })).rejects.toThrow('no action sing')
})
it('counts days', () => {
  expect(daysFromNow(7, Date.parse('2026-11-25T12:00:00Z'))).toBe('2026-12-02')
})
