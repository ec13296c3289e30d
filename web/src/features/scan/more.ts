import type { ScanReport } from '@/api/types'
import { count, size } from '@/ui/format/format'

const ORIGINS: [string, string][] = [
  ['live', 'files that stand'],
  ['deleted', 'deleted files'],
  ['earlier', 'files from before the format'],
  ['carved', 'files found by content'],
]

/** Why the files that were found are larger together than the medium, with the numbers; empty when they are not. */
export function whyMore(report: Pick<ScanReport, 'size' | 'claims' | 'origins'>): string[] {
  const claims = report.claims
  if (!claims || claims.listed <= report.size) return []
  const kinds = ORIGINS.filter(([origin]) => report.origins[origin]).map(
    ([origin, words]) => `${count(report.origins[origin]!)} ${words}`,
  )
  const why = [
    `The files found come to ${size(claims.listed)}, on a medium of ${size(report.size)}: ${kinds.join(', ')}.`,
  ]
  if (claims.again > 0) {
    why.push(
      `${size(claims.again)} of that lie where another file lies, too: space that was given out again ` +
        'after a deletion or a format is claimed by each file that ever had it. ' +
        'One of them at most is right there; the judgement of each says which.',
    )
  }
  if (claims.unstored > 0)
    why.push(`${size(claims.unstored)} are stored nowhere: holes in sparse files, and what the file system packed.`)
  why.push(`All of them together take up ${size(claims.distinct)} of the medium.`)
  return why
}
