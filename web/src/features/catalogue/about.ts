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

/** What its score says: of finds by content how often such a one was right, of others how much speaks for it. */
export function scoreWords(line: Pick<CatalogueLine, 'origins' | 'score'>): string {
  return line.origins.every((o) => o === 'carved')
    ? `Of 100 finds like this ${line.score} had every byte of one file, where it was measured.`
    : `${line.score} of 100 points: how much of what could be checked speaks for it`
}

/** How other sessions saw the same file, where they saw it in another state. */
export function versionWords(line: Pick<CatalogueLine, 'versions' | 'prognosis' | 'score'>): string[] {
  return Object.entries(line.versions)
    .filter(([, v]) => v.prognosis !== line.prognosis || v.score !== line.score)
    .sort(([a], [b]) => Number(a) - Number(b))
    .map(([session, v]) => `session ${session}: ${v.origin}, ${v.prognosis}, score ${v.score}`)
}
