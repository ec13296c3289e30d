import createClient from 'openapi-fetch'
import type { MediaType, PathsWithMethod, SuccessResponse } from 'openapi-typescript-helpers'
import { tellAsked, tellLink } from './link'
import type { paths } from './schema'
import type { ActionCall } from './types'
import { untouched } from './untouched'

/** Talks to the server by its own description. Every refusal is one sentence, thrown as a {@link Refused}. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    sentence: string,
    /** The form field that is meant, when it is one. */
    readonly field?: string,
  ) {
    super(sentence)
  }
}

type Verb = 'get' | 'post' | 'put' | 'delete'

/** A path that the description has for a verb. */
export type PathFor<V extends Verb> = PathsWithMethod<paths, V>
type Operation<P extends keyof paths, V extends Verb> = V extends keyof paths[P] ? paths[P][V] : never

/** What a request carries where it is required, may carry where it is optional, and never carries otherwise. */
type Given<Name extends string, Holder, Key extends PropertyKey> = Key extends keyof Holder
  ? Holder extends Record<Key, infer Value>
    ? [Value] extends [never]
      ? unknown
      : Record<Name, Value>
    : Holder[Key] extends undefined
      ? unknown
      : Partial<Record<Name, NonNullable<Holder[Key]>>>
  : unknown
type Parameters<O> = O extends { parameters: infer All } ? All : never
type Body<O> = O extends { requestBody: { content: { 'application/json': infer Json } } }
  ? { body: Json }
  : O extends { requestBody?: { content: { 'application/json': infer Json } } }
    ? { body?: Json }
    : unknown

/** The variable parts of a request: those of its path, its query, its body. */
export type Parts<P extends keyof paths, V extends Verb> = Given<'path', Parameters<Operation<P, V>>, 'path'> &
  Given<'query', Parameters<Operation<P, V>>, 'query'> &
  Body<Operation<P, V>>
type PartsArgument<P extends keyof paths, V extends Verb> =
  Record<never, never> extends Parts<P, V> ? [parts?: Parts<P, V>] : [parts: Parts<P, V>]

/** What the server answers. */
export type Answer<P extends keyof paths, V extends Verb> =
  Operation<P, V> extends { responses: infer R extends Record<string | number, unknown> }
    ? SuccessResponse<R, MediaType>
    : never

const signedOutListeners = new Set<() => void>()

/** Called whenever the server says that nobody is signed in. */
export function onSignedOut(listener: () => void): void {
  signedOutListeners.add(listener)
}

function csrfToken(): string {
  return decodeURIComponent(/(?:^|; )(?:__Host-)?XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? '')
}

async function refusalOf(response: Response): Promise<Refused> {
  const text = await response.text()
  try {
    const body = JSON.parse(text) as { detail?: string; field?: string }
    if (body.detail) return new Refused(response.status, body.detail, body.field)
  } catch {
    // not our own answer: a proxy's, or an empty one
  }
  if (response.status === 401)
    return new Refused(401, 'You are not signed in any more; sign in and go on. Nothing that you typed is lost.')
  return new Refused(
    response.status,
    `The server answered ${response.status}; nothing was changed. Try again in a moment.`,
  )
}

const client = createClient<paths>({
  baseUrl: typeof location === 'undefined' ? undefined : location.origin,
  credentials: 'same-origin',
  headers: { Accept: 'application/json' },
  // As it is at the time of a request: tests put another one there.
  fetch: async (request) => {
    const ended = tellAsked(request.method !== 'GET')
    try {
      const response = await fetch(request)
      ended(response.status < 502 || response.status > 504)
      return response
    } catch (e) {
      ended(false)
      tellLink(false)
      throw e
    }
  },
})
client.use({
  onRequest({ request }) {
    request.headers.set('Brantel-Untouched', String(untouched()))
    if (request.method !== 'GET') request.headers.set('X-XSRF-TOKEN', csrfToken())
    return request
  },
  async onResponse({ request, response }) {
    if (response.ok) return
    const path = new URL(request.url).pathname
    if (response.status === 401 && !path.startsWith('/api/portal') && path !== '/api/session')
      signedOutListeners.forEach((l) => l())
    throw await refusalOf(response)
  },
  onError() {
    return new Refused(0, 'The server cannot be reached; nothing was changed. It is tried again when you repeat it.')
  },
})

interface AnyParts {
  path?: Record<string, unknown>
  query?: Record<string, unknown>
  body?: unknown
}

/** The one place that knows no types: the callers below have checked them against the description. */
async function send(verb: Verb, path: string, { path: inPath, query, body }: AnyParts = {}): Promise<unknown> {
  const request = client.request as (
    verb: Verb,
    path: string,
    init: Record<string, unknown>,
  ) => Promise<{ data?: unknown }>
  const file = body instanceof Blob
  const { data } = await request(verb, path, {
    params: { path: inPath, query: query && withoutEmpty(query) },
    ...(body === undefined && verb !== 'post' ? {} : { body: body ?? {} }),
    ...(file
      ? { bodySerializer: (blob: Blob) => blob, headers: { 'Content-Type': body.type || 'application/octet-stream' } }
      : {}),
  })
  return data
}

function method<V extends Verb>(verb: V) {
  return <P extends PathFor<V>>(path: P, ...[parts]: PartsArgument<P, V>): Promise<Answer<P, V>> =>
    send(verb, path, parts as AnyParts | undefined) as Promise<Answer<P, V>>
}

export const api = { get: method('get'), post: method('post'), put: method('put'), delete: method('delete') }

/** Sends a file as it is. */
export function upload<P extends PathFor<'post'>>(
  path: P,
  parts: Omit<Parts<P, 'post'>, 'body'>,
  file: Blob,
): Promise<Answer<P, 'post'>> {
  return send('post', path, { ...(parts as AnyParts), body: file }) as Promise<Answer<P, 'post'>>
}

/** Makes a request that the server itself described in an earlier answer. */
export function perform(call: ActionCall, path: string): Promise<unknown> {
  const verbs = { POST: 'post', PUT: 'put', DELETE: 'delete' } as const
  return send(verbs[call.method], path, { body: call.body })
}

function withoutEmpty(query: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(Object.entries(query).filter(([, v]) => v !== undefined && v !== '' && v !== false))
}
