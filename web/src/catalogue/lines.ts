import type { WantedState } from '@/api/types'

/** The folders of a path, as people read them. */
export function folderOf(path: string, name: string): string {
  const folder = path.endsWith(name) ? path.slice(0, path.length - name.length) : path
  return folder.split('/').filter(Boolean).join(' › ') || 'top folder'
}

/** Which wanted lines a finding fits, as they are numbered on the list. */
export function wantedMarks(fits: readonly number[], wanted: readonly WantedState[]): string {
  return wanted.map((w, i) => (fits.includes(w.line.id) ? `W${i + 1}` : '')).filter(Boolean).join(' ')
}
