import type { CatalogueLine } from '@/api/types'

/** What content says of itself, in one line. */
export function aboutWords(about: Readonly<Record<string, string>>): string {
  const parts: string[] = []
  if (about.width && about.height) parts.push(`${about.width} × ${about.height} points`)
  if (about.seconds) parts.push(playing(Number(about.seconds)))
  if (about.pages) parts.push(about.pages === '1' ? '1 page' : `${about.pages} pages`)
  for (const said of [about.title, about.subject, about.author, about.album, about.from, about.device, about.words])
    if (said) parts.push(`“${said}”`)
  if (about.taken) parts.push(about.taken.replace('T', ' '))
  return parts.join(', ')
}

function playing(seconds: number): string {
  const whole = Math.round(seconds)
  return whole < 60 ? `${whole} s` : `${Math.floor(whole / 60)} min ${whole % 60} s`
}

/** The hash, or why there is none. */
export function hashWords(line: Pick<CatalogueLine, 'sha256' | 'readBytes' | 'size'>): string {
  if (line.sha256) return line.sha256
  return line.readBytes < line.size
    ? 'none: not all of it was read'
    : 'taken when it is recovered; no other file here could be a copy'
}

/** How much of it the check of its kind covers. */
export function provenWords(proven: number | undefined | null): string {
  if (proven === undefined || proven === null) return 'no check of its content is on record'
  if (proven >= 1) return 'a check covers all of them'
  const hundredths = Math.floor(proven * 100)
  return hundredths === 0
    ? 'nothing in it would show a change of them'
    : `a check covers ${hundredths} % of them, nothing the rest`
}

/** Files with records that are worth no more were all wrong where it was measured; few are worth more and not whole. */
const FOUND_WRONG = 5

/**
 * What its score says: how often such a find was exactly the file, where that was measured. What was not all read is
 * never that; the docs say how each was measured.
 */
export function scoreWords(line: Pick<CatalogueLine, 'origins' | 'score' | 'prognosis'>): string {
  if (line.prognosis === 'gapped') return 'Not every byte was read, so it is not exactly the file.'
  const measured = line.prognosis === 'whole' || line.score <= FOUND_WRONG || line.origins.every((o) => o === 'carved')
  return measured
    ? `Of 100 finds like this ${line.score} had every byte of one file, where it was measured.`
    : `Finds like this are rare where it was measured; ${line.score} of 100 is an estimate.`
}

/** How other sessions saw the same file, where they saw it in another state. */
export function versionWords(line: Pick<CatalogueLine, 'versions' | 'prognosis' | 'score'>): string[] {
  return Object.entries(line.versions)
    .filter(([, v]) => v.prognosis !== line.prognosis || v.score !== line.score)
    .sort(([a], [b]) => Number(a) - Number(b))
    .map(([session, v]) => `session ${session}: ${v.origin}, ${v.prognosis}, score ${v.score}`)
}
