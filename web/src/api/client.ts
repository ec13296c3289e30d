/** Talks to the server. Every refusal is one sentence, thrown as a {@link Refused}. */
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

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE'

const signedOutListeners = new Set<() => void>()

/** Called whenever the server says that nobody is signed in. */
export function onSignedOut(listener: () => void): void {
  signedOutListeners.add(listener)
}

function csrfToken(): string {
  return /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? ''
}

async function refusalOf(response: Response): Promise<Refused> {
  const text = await response.text()
  try {
    const body = JSON.parse(text) as { sentence?: string; field?: string }
    if (body.sentence) return new Refused(response.status, body.sentence, body.field)
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

async function call<T>(method: Method, path: string, body?: unknown): Promise<T> {
  return send(method, path, body === undefined ? undefined : JSON.stringify(body), 'application/json')
}

async function send<T>(method: Method, path: string, body: BodyInit | undefined, type: string): Promise<T> {
  let response: Response
  try {
    response = await fetch(path, {
      method,
      credentials: 'same-origin',
      headers: {
        Accept: 'application/json',
        ...(body === undefined ? {} : { 'Content-Type': type }),
        ...(method === 'GET' ? {} : { 'X-XSRF-TOKEN': decodeURIComponent(csrfToken()) }),
      },
      body,
    })
  } catch {
    throw new Refused(0, 'The server cannot be reached; nothing was changed. It is tried again when you repeat it.')
  }
  if (!response.ok) {
    const refused = await refusalOf(response)
    if (response.status === 401 && !path.startsWith('/api/portal') && path !== '/api/session')
      signedOutListeners.forEach((l) => l())
    throw refused
  }
  const text = await response.text()
  return (text ? JSON.parse(text) : undefined) as T
}

export const api = {
  get: <T>(path: string) => call<T>('GET', path),
  post: <T>(path: string, body: unknown = {}) => call<T>('POST', path, body),
  put: <T>(path: string, body: unknown) => call<T>('PUT', path, body),
  delete: <T>(path: string) => call<T>('DELETE', path),
}

/** Sends a file as it is. */
export function upload<T>(path: string, file: Blob): Promise<T> {
  return send<T>('POST', path, file, file.type || 'application/octet-stream')
}

/** A path with its query, leaving out what is empty. */
export function withQuery(
  path: string,
  query: Record<string, string | number | boolean | readonly string[] | undefined>,
): string {
  const params = new URLSearchParams()
  for (const [key, value] of Object.entries(query)) {
    if (Array.isArray(value)) value.forEach((v: string) => params.append(key, v))
    else if (value !== undefined && value !== '' && value !== false) params.append(key, String(value))
  }
  const text = params.toString()
  return text ? `${path}?${text}` : path
}
