import type { CatalogueLine, WantedState } from '@/api/types'

/** The folders of a path, as people read them. */
export function folderOf(path: string, name: string): string {
  const folder = path.endsWith(name) ? path.slice(0, path.length - name.length) : path
  return folder.split('/').filter(Boolean).join(' › ') || 'top folder'
}

/** Which wanted lines a finding fits, as they are numbered on the list; those that it may fit with a question mark. */
export function wantedMarks(
  fits: readonly number[],
  mayFit: readonly number[],
  wanted: readonly WantedState[],
): string {
  return wanted
    .map((w, i) => (fits.includes(w.line.id) ? `W${i + 1}` : mayFit.includes(w.line.id) ? `W${i + 1}?` : ''))
    .filter(Boolean)
    .join(' ')
}

/** What is said of a finding and each wanted line, with the reason. */
export function fitWords(line: CatalogueLine, wanted: readonly WantedState[]): string[] {
  const VERDICT: Record<string, string> = { fits: 'fits', 'may-fit': 'may fit', not: 'does not fit' }
  return line.fits
    .map((f) => ({ f, at: wanted.findIndex((w) => w.line.id === f.line) }))
    .filter(({ at }) => at >= 0)
    .map(({ f, at }) => `${VERDICT[f.verdict] ?? f.verdict} W${at + 1}${f.why ? `: ${f.why}` : ''}`)
}
