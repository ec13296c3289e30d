/** A note in pieces, those that name a colleague marked. */
export function mentionPieces(words: string): { text: string; mention: boolean }[] {
  return words
    .split(/((?<![\w.])@[a-z0-9._-]{2,40})/i)
    .filter(Boolean)
    .map((text) => ({ text, mention: /^@[a-z0-9._-]{2,40}$/i.test(text) }))
}
