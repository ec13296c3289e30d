import type { CatalogueUnderstood, QuestionPart } from '@/api/types'

/** Signs that a question may have, as the server takes them. */
export const LONGEST = 1000

type Stretch = Pick<QuestionPart, 'from' | 'to'>

/** Words that join parts and mean nothing without one on either side. */
const JOINT = /^(?:\s*(?:,|;|\bor\b|\band\b|\bbut\b))+\s*/i
const JOINT_BEFORE = /(?:\s*(?:,|;|\bor\b|\band\b|\bbut\b))+\s*$/i

/** The question without a part, and without what joined it. */
export function without(words: string, part: Stretch): string {
  const before = words.slice(0, part.from)
  const after = words.slice(part.to)
  const joined = JOINT_BEFORE.test(before) || !before.trim()
  const left = before.replace(JOINT_BEFORE, '')
  const right = joined ? after.replace(JOINT, '') : after
  const joint = joined && left.trim() ? (JOINT_BEFORE.exec(before)?.[0] ?? ' ') : ' '
  return right.trim()
    ? `${left}${left.trim() ? joint : ''}${right.trim()}`
        .replace(/\s+/g, ' ')
        .replace(/ ([,;])/g, '$1')
        .trim()
    : left.trim()
}

/** The question with a part meant as the letters that it is. */
export function asText(words: string, part: Stretch): string {
  const inner = words.slice(part.from, part.to).replace(/["“”„]/g, '')
  return `${words.slice(0, part.from)}"${inner}"${words.slice(part.to)}`
}

/** The question with one more thing that must hold. */
export function withMore(words: string, more: string): string {
  const plain = words.trim()
  return plain ? `${plain.replace(/,$/, '')}, ${more}` : more
}

/** The question with all that is said of a matter said otherwise; nothing says no more of it. */
export function saidOtherwise(
  words: string,
  parts: readonly QuestionPart[],
  about: QuestionPart['about'],
  otherwise: string,
): string {
  const rest = [...parts]
    .filter((p) => p.about === about)
    .reverse()
    .reduce((left, p) => without(left, p), words)
  return otherwise ? withMore(rest, otherwise) : rest
}

/** Days as a question says them; empty without any. */
export function daysAsked(from: string, to: string): string {
  if (from && to) return from === to ? `on ${from}` : `from ${from} to ${to}`
  return from ? `since ${from}` : to ? `until ${to}` : ''
}

/** Sizes as a question says them; empty without any. */
export function sizesAsked(least: string, most: string): string {
  if (least && most) return `between ${least} and ${most}`
  return least ? `at least ${least}` : most ? `at most ${most}` : ''
}

/** What is said between parts; marks alone say nothing. */
const spoken = (words: string): string => (/[\p{L}\p{N}]/u.test(words) ? words.trim().replace(/^[,;]\s*/, '') : '')

/** A question between its parts: stretches that say something, and what stands around them. */
export function pieces(words: string, parts: readonly QuestionPart[]): { text: string; part?: QuestionPart }[] {
  const all: { text: string; part?: QuestionPart }[] = []
  let at = 0
  for (const part of parts) {
    if (part.to > words.length) break
    const between = spoken(words.slice(at, part.from))
    if (between) all.push({ text: between })
    all.push({ text: words.slice(part.from, part.to), part })
    at = part.to
  }
  const rest = spoken(words.slice(at))
  if (rest) all.push({ text: rest })
  return all
}

const CONTAINING = /^(?:containing|contains|mentioning|mentions)(?: the)?(?: words?| text| phrase)?\s+/i

/** Words that a question looks for in texts; not those that must not stand there. */
export function wordsAsked(question: CatalogueUnderstood | undefined): string[] {
  return (question?.parts ?? [])
    .filter((p) => !p.not && (p.about === 'text' || p.about === 'inside'))
    .map(
      (p) =>
        question?.words
          .slice(p.from, p.to)
          .replace(CONTAINING, '')
          .replace(/["“”„]/g, '')
          .trim() ?? '',
    )
    .filter(Boolean)
}

/** “Like this one” said of the line at hand. */
export function pointed(words: string, line: number | undefined): string {
  return line === undefined ? words : words.replace(/\blike (?:this|that)(?: one| file| picture)?\b/i, `like #${line}`)
}

/** The days that controls show of what a question says; empty for what they have no place for. */
export function daysIn(words: string, parts: readonly QuestionPart[]): { from: string; to: string } {
  const said = parts.filter((p) => p.about === 'made').map((p) => words.slice(p.from, p.to))
  const day = String.raw`(\d{4}-\d{2}-\d{2})`
  const of = said.length === 1 ? (said[0] ?? '') : ''
  const span = new RegExp(`^from ${day} to ${day}$`).exec(of)
  const one = new RegExp(`^(on|since|until) ${day}$`).exec(of)
  if (span) return { from: span[1] ?? '', to: span[2] ?? '' }
  return {
    from: one && one[1] !== 'until' ? (one[2] ?? '') : '',
    to: one && one[1] !== 'since' ? (one[2] ?? '') : '',
  }
}

/** The sizes that controls show of what a question says. */
export function sizesIn(words: string, parts: readonly QuestionPart[]): { least: string; most: string } {
  const said = parts.filter((p) => p.about === 'size').map((p) => words.slice(p.from, p.to))
  const of = said.length === 1 ? (said[0] ?? '') : ''
  const span = /^between (.+) and (.+)$/.exec(of)
  return {
    least: span?.[1] ?? /^at least (.+)$/.exec(of)?.[1] ?? '',
    most: span?.[2] ?? /^at most (.+)$/.exec(of)?.[1] ?? '',
  }
}
