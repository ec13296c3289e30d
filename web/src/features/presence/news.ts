import type { Answer } from '@/api/client'

export type News = Answer<'/api/cases/{number}/presence/news', 'get'>

/** What one person did in a row, each thing once with how often. */
export interface Doing {
  who: string
  at: string
  what: { words: string; times: number }[]
}

/** What others did, by person in turn. */
export function doings(did: News['did']): Doing[] {
  const all: Doing[] = []
  for (const d of did) {
    const before = all.at(-1)
    const doing: Doing = before?.who === d.who ? before : { who: d.who, at: d.at, what: [] }
    if (doing !== before) all.push(doing)
    const same = doing.what.find((w) => w.words === d.what)
    if (same) same.times += 1
    else doing.what.push({ words: d.what, times: 1 })
    doing.at = d.at
  }
  return all
}

/** All that one person did, in words. */
export function said(doing: Doing): string {
  return doing.what.map((w) => (w.times > 1 ? `${w.words} (${w.times} times)` : w.words)).join(', ')
}
