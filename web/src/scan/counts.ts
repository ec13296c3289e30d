import type { ScanView, Volume } from '@/api/types'

/** Findings of a session by kind, most first. */
export function kindRows(kinds: Readonly<Record<string, number>>): { kind: string; count: number; share: number }[] {
  const rows = Object.entries(kinds).sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]))
  const most = rows[0]?.[1] ?? 1
  return rows.map(([kind, count]) => ({ kind, count, share: count / most }))
}

const PHASES: Record<string, string> = {
  waiting: 'waiting for a free worker',
  records: 'reading file-system records',
  content: 'looking at content',
  hashes: 'hashing what was found',
  catalogue: 'joining the catalogue',
  done: 'done',
}

/** What a session is doing, in words. */
export function phaseWords(s: ScanView): string {
  if (s.asked && s.state === 'running') return 'stopping'
  return s.state === 'running' || s.state === 'waiting' ? (PHASES[s.phase] ?? s.phase) : s.state
}

export function shareDone(s: ScanView): number {
  if (s.state === 'done' || s.state === 'stopped') return 1
  return s.total > 0 ? Math.min(1, s.done / s.total) : 0
}

/** A volume's column: where it begins and how wide it is, as shares of the medium. */
export function columnOf(volume: Volume, mediumBytes: number): { left: number; width: number } {
  const left = Math.min(1, volume.startByte / mediumBytes)
  return { left, width: Math.max(0.02, Math.min(1 - left, volume.lengthBytes / mediumBytes)) }
}
