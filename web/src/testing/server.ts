import { afterEach, beforeEach, vi } from 'vitest'

/** One request, as the server would have got it. */
export interface Sent {
  /** `POST /api/cases`, with its query. */
  what: string
  body: unknown
}

/** Keeps what it is sent and answers as a test tells it to, with an empty object else. */
export interface FakeServer {
  readonly sent: Sent[]
  /** What changes something. */
  changes: () => Sent[]
  answer: (what: string, body: unknown) => void
  refuse: (what: string, status: number, detail: string) => void
}

/** Stands in for the server while the tests of a file run. */
export function fakeServer(): FakeServer {
  const sent: Sent[] = []
  const answers = new Map<string, () => Response>()
  beforeEach(() => {
    sent.length = 0
    answers.clear()
    vi.stubGlobal('fetch', async (request: Request) => {
      const url = new URL(request.url)
      const what = `${request.method} ${url.pathname}${decodeURIComponent(url.search)}`
      const text = await request.text()
      sent.push({ what, body: text ? (JSON.parse(text) as unknown) : undefined })
      return answers.get(what)?.() ?? new Response('{}')
    })
  })
  afterEach(() => vi.unstubAllGlobals())
  return {
    sent,
    changes: () => sent.filter((s) => !s.what.startsWith('GET ')),
    answer: (what, body) => answers.set(what, () => new Response(JSON.stringify(body))),
    refuse: (what, status, detail) =>
      answers.set(what, () => new Response(JSON.stringify({ status, detail }), { status })),
  }
}

/** Until an expectation holds: requests and what is drawn of them take some turns. */
export function until(expectation: () => void): Promise<void> {
  return vi.waitFor(expectation, { timeout: 5000 })
}
