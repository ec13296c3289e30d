// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useAction } from './action'
import { api, onSignedOut, Refused, upload } from './client'

const answers: Response[] = []
const fetched = vi.fn(async (_request: Request) => answers.shift() ?? Promise.reject(new TypeError('no network')))

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
    await api.post('/api/intake/heard', { body: { text: 'it clicks' } })
    const [read, write] = fetched.mock.calls.map(([request]) => request)
    expect(read?.headers.has('X-XSRF-TOKEN')).toBe(false)
    expect(write?.headers.get('X-XSRF-TOKEN')).toBe('abc/1')
    expect(write?.headers.get('Content-Type')).toBe('application/json')
    expect(await write?.json()).toEqual({ text: 'it clicks' })
  })
  it('gives a refusal as its sentence, with the field that is meant', async () => {
    answers.push(
      new Response('{"type":"about:blank","detail":"It is not a capacity.","field":"device.capacity"}', {
        status: 400,
      }),
    )
    expect(await refusal(api.get('/api/intake/capacity', { query: { text: 'much' } }))).toMatchObject({
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
    await refusal(api.post('/api/session', { body: { login: 'una', password: 'x' } }))
    await refusal(api.get('/api/portal/{token}', { path: { token: 'x' } }))
    expect(heard).not.toHaveBeenCalled()
    await refusal(api.get('/api/desk'))
    expect(heard).toHaveBeenCalledOnce()
  })
  it('answers with nothing where there is nothing', async () => {
    answers.push(new Response(null, { status: 204 }))
    expect(await api.delete('/api/session')).toBeUndefined()
  })
})

describe('addresses', () => {
  it('leave out what is empty, repeat what is many, and take nothing apart', async () => {
    answers.push(new Response('{}'), new Response('{}'))
    const query = { kind: ['jpg', 'png'], q: ' plot & peat ', origin: undefined, sort: '', wanted: 3 }
    await api.get('/api/cases/{number}/catalogue', { path: { number: 'BR/1' }, query })
    await api.get('/api/cases/{number}/catalogue', { path: { number: 'BR-1' }, query: {} })
    expect(fetched.mock.calls.map(([request]) => request.url.replace(location.origin, ''))).toEqual([
      '/api/cases/BR%2F1/catalogue?kind=jpg&kind=png&q=%20plot%20%26%20peat%20&wanted=3',
      '/api/cases/BR-1/catalogue',
    ])
  })
  it('carry a file as it is', async () => {
    answers.push(new Response('{}'))
    const file = new Blob(['abc'], { type: 'image/png' })
    await upload(
      '/api/cases/{number}/photos',
      { path: { number: 'BR-1' }, query: { what: 'label', name: 'a.png' } },
      file,
    )
    const request = fetched.mock.calls[0]![0]
    expect(request.headers.get('Content-Type')).toBe('image/png')
    expect(await request.text()).toBe('abc')
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
