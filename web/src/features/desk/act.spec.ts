// @vitest-environment happy-dom
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { forgetUndo, useUndo } from '@/api/undo'
import type { DeskAction } from '@/api/types'
import { act, filled } from './act'

const calls: string[] = []
beforeEach(() => {
  calls.length = 0
  vi.stubGlobal('fetch', async (request: Request) => {
    calls.push(`${request.method} ${new URL(request.url).pathname} ${await request.text()}`)
    return new Response(JSON.stringify({ id: 12 }))
  })
})
afterEach(() => {
  forgetUndo()
  vi.unstubAllGlobals()
})

const scan: DeskAction = {
  label: 'Scan it',
  call: { method: 'POST', path: '/api/cases/BR-1/scans', body: { method: 'both' } },
  undo: { words: 'BR-1: the scan has begun.', call: { method: 'POST', path: '/api/scans/{id}/stop' } },
}

it('makes the request that the feature gave, and takes it back by what was answered', async () => {
  await act(scan)
  expect(calls[0]).toBe('POST /api/cases/BR-1/scans {"method":"both"}')
  expect(useUndo().newest.value?.words).toBe('BR-1: the scan has begun.')
  await useUndo().undo(useUndo().newest.value)
  expect(calls[1]).toContain('POST /api/scans/12/stop')
  expect(useUndo().newest.value).toBeUndefined()
})
it('knows how each method is sent', async () => {
  const seen = '/api/mentions/7/seen'
  await act({ label: 'Seen', call: { method: 'DELETE', path: seen } })
  await act({ label: 'Seen', call: { method: 'PUT', path: seen, body: { a: 1 } } })
  expect(calls).toEqual([`DELETE ${seen} `, `PUT ${seen} {"a":1}`])
})
it('offers nothing to take back where there is no way', async () => {
  const before = useUndo().newest.value
  await act({ label: 'End', call: { method: 'POST', path: '/api/imaging/7/enough' } })
  expect(useUndo().newest.value).toBe(before)
})
it('says why it could not be undone', async () => {
  await act(scan)
  vi.stubGlobal('fetch', async () => new Response('{"detail":"It has gone on since."}', { status: 409 }))
  await useUndo().undo(useUndo().newest.value)
  expect(useUndo().trouble.value).toContain('It has gone on since.')
})
it('does not swallow what makes no request, or lacks what its way back needs', async () => {
  await expect(act({ label: 'Sing', opens: 'scanning' })).rejects.toThrow('"Sing" makes no request')
  expect(() => filled('/api/scans/{id}/stop', undefined)).toThrow('no id')
})
