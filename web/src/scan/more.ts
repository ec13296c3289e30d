import type { ScanReport, ScanView } from '@/api/types'
import { count, size } from '@/format/format'

/** Bytes that sessions on one image have carved; places that several went over count once. */
export function carvedBytes(sessions: readonly Pick<ScanView, 'imagingId' | 'report'>[], imagingId: number): number {
  const ranges = sessions.filter((s) => s.imagingId === imagingId).flatMap((s) => s.report?.carved ?? []).sort((a, b) => a[0]! - b[0]!)
  let sum = 0
  let end = 0
  for (const [offset, length] of ranges as [number, number][]) {
    sum += Math.max(0, offset + length - Math.max(end, offset))
    end = Math.max(end, offset + length)
  }
  return sum
}

const ORIGINS: [string, string][] = [['live', 'files that stand'], ['deleted', 'deleted files'], ['earlier', 'files from before the format'], ['carved', 'files found by content']]

/** Why the files that were found are larger together than the medium, with the numbers; empty when they are not. */
export function whyMore(report: Pick<ScanReport, 'size' | 'claims' | 'origins'>): string[] {
  const claims = report.claims
  if (!claims || claims.listed <= report.size) return []
  const kinds = ORIGINS.filter(([origin]) => report.origins[origin]).map(([origin, words]) => `${count(report.origins[origin]!)} ${words}`)
  const why = [`The files found come to ${size(claims.listed)}, on a medium of ${size(report.size)}: ${kinds.join(', ')}.`]
  if (claims.again > 0) {
    why.push(`${size(claims.again)} of that lie where another file lies, too: space that was given out again after a deletion or a format is claimed by each file that ever had it. One of them at most is right there; the judgement of each says which.`)
  }
  if (claims.unstored > 0) why.push(`${size(claims.unstored)} are stored nowhere: holes in sparse files, and what the file system packed.`)
  why.push(`All of them together take up ${size(claims.distinct)} of the medium.`)
  return why
}
