import type { ScanReport, ScanView } from '@/api/types'

/** Findings of a session by kind, most first. */
export function kindRows(kinds: Readonly<Record<string, number>>): { kind: string; count: number; share: number }[] {
  const rows = Object.entries(kinds).sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]))
  const most = rows[0]?.[1] ?? 1
  return rows.map(([kind, count]) => ({ kind, count, share: count / most }))
}

const PHASES: Record<string, string> = {
  waiting: 'waiting for a free worker',
  records: 'reading file-system records',
  search: 'searching what is free',
  content: 'looking at content',
  catalogue: 'joining the catalogue',
  done: 'done',
}

/** What a session is doing, in words. */
export function phaseWords(s: ScanView): string {
  if (s.asked && s.state === 'running') return s.asked === 'pause' ? 'paused' : 'stopping'
  return s.state === 'running' || s.state === 'waiting' ? (PHASES[s.phase] ?? s.phase) : s.state
}

/** Whether it can be paused or stopped: what is found joins the catalogue to its end. */
export function canBeAsked(s: Pick<ScanView, 'state' | 'phase'>): boolean {
  return s.state === 'waiting' || (s.state === 'running' && s.phase !== 'catalogue')
}

export function shareDone(s: ScanView): number {
  if (s.state === 'done' || s.state === 'stopped') return 1
  return s.total > 0 ? Math.min(1, s.done / s.total) : 0
}

/** What a session does: the words that it was chosen by. */
export function methodWords(s: Pick<ScanView, 'method' | 'search'>): string {
  if (s.method === 'carve') return 'content alone'
  return s.method === 'both' ? 'records and content' : s.search ? 'records and free space' : 'records'
}

/** Where a session looks, in words. */
export function scopeWords(
  s: Pick<ScanView, 'volume' | 'early' | 'hashes' | 'importedFrom' | 'elsewhere' | 'ofFiles'>,
): string {
  if (s.elsewhere) return `at ${s.elsewhere}`
  if (s.importedFrom) return `from ${s.importedFrom}`
  if (s.ofFiles) return 'the copied files'
  const where = s.volume === undefined || s.volume === null ? 'whole medium' : `volume ${s.volume}`
  return [where, s.hashes ? 'each file hashed' : '', s.early ? 'while it was imaged' : ''].filter(Boolean).join(', ')
}

/** Whether a session says that there is nothing to recover: every volume sound, every file listed and whole. */
export function isSound(report: ScanReport): boolean {
  const others = Object.entries(report.origins).some(([origin, n]) => origin !== 'live' && n > 0)
  return (
    report.findings > 0 &&
    !others &&
    (report.prognoses.whole ?? 0) === report.findings &&
    report.problems.length === 0 &&
    report.volumes.every((v) => v.state === 'live')
  )
}
