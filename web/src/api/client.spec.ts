// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useAction } from './action'
import { api, onSignedOut, Refused, withQuery } from './client'

const answers: Response[] = []
const fetched = vi.fn(
  async (_path: string, _init?: RequestInit) => answers.shift() ?? Promise.reject(new TypeError('no network')),
)

beforeEach(() => vi.stubGlobal('fetch', fetched))
afterEach(() => {
  vi.unstubAllGlobals()
  fetched.mockClear()
  answers.length = 0
})
const refusal = async (work: Promise<unknown>): Promise<Refused> =>
  work.then(
    () => expect.fail('it was not refused'),
    (e: unknown) => e as Refused,
  )

describe('talking to the server', () => {
  it('sends the token back with whatever changes something, and only then', async () => {
    document.cookie = 'XSRF-TOKEN=abc%2F1'
    answers.push(new Response('[]'), new Response('{"id":1}', { status: 201 }))
    await api.get('/api/cases')
    await api.post('/api/cases', { a: 1 })
    const [read, write] = fetched.mock.calls.map(([, init]) => init?.headers as Record<string, string>)
    expect(read).not.toHaveProperty('X-XSRF-TOKEN')
    expect(write).toMatchObject({ 'X-XSRF-TOKEN': 'abc/1', 'Content-Type': 'application/json' })
  })
  it('gives a refusal as its sentence, with the field that is meant', async () => {
    answers.push(new Response('{"sentence":"It is not a capacity.","field":"device.capacity"}', { status: 400 }))
    expect(await refusal(api.post('/api/cases'))).toMatchObject({
      status: 400,
      message: 'It is not a capacity.',
      field: 'device.capacity',
    })
  })
  it('has a sentence even for a proxy that answers with a page', async () => {
    answers.push(new Response('<html>Bad gateway</html>', { status: 502 }))
    expect((await refusal(api.get('/api/desk'))).message).toContain('The server answered 502; nothing was changed.')
  })
  it('has a sentence when nothing answers', async () => {
    expect(await refusal(api.get('/api/desk'))).toMatchObject({
      status: 0,
      message: expect.stringContaining('cannot be reached'),
    })
  })
  it('tells everybody that the session ended, but not a customer or somebody signing in', async () => {
    const heard = vi.fn()
    onSignedOut(heard)
    answers.push(
      new Response('', { status: 401 }),
      new Response('', { status: 401 }),
      new Response('', { status: 401 }),
    )
    await refusal(api.post('/api/session'))
    await refusal(api.get('/api/portal/x'))
    expect(heard).not.toHaveBeenCalled()
    await refusal(api.get('/api/desk'))
    expect(heard).toHaveBeenCalledOnce()
  })
  it('answers with nothing where there is nothing', async () => {
    answers.push(new Response(null, { status: 204 }))
    expect(await api.delete('/api/session')).toBeUndefined()
  })
})

describe('queries', () => {
  it('leave out what is empty and repeat what is many', () => {
    expect(withQuery('/p', { a: '', b: undefined, c: false, d: ['x', 'y'], e: 0 })).toBe('/p?d=x&d=y&e=0')
    expect(withQuery('/p', {})).toBe('/p')
  })
})

describe('an action', () => {
  it('keeps a refusal to be shown, and forgets it when it goes through', async () => {
    const action = useAction()
    expect(await action.run(() => Promise.reject(new Refused(409, 'Somebody else changed it.')))).toBe(false)
    expect(action.refused.value?.message).toBe('Somebody else changed it.')
    expect(action.busy.value).toBe(false)
    expect(await action.run(() => Promise.resolve())).toBe(true)
    expect(action.refused.value).toBeUndefined()
  })
  it('does not swallow a fault of ours', async () => {
    await expect(useAction().run(() => Promise.reject(new TypeError('ours')))).rejects.toThrow('ours')
  })
})
