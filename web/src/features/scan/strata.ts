import type { ScanReport, ScanView, Volume, VolumeCounts } from '@/api/types'

/**
 * A volume as a box: which row (0 the present, then back in time), where it begins and how wide it is, as shares of the
 * medium.
 */
export interface Stratum {
  volume: Volume
  row: number
  left: number
  width: number
  counts: VolumeCounts | undefined
}

const NARROWEST = 0.16

/**
 * The volumes of a medium to scale, generations below each other. What is too narrow to be read is widened, and moved
 * where it would then lie over its neighbour; the order along the medium stays.
 */
export function strataOf(report: Pick<ScanReport, 'volumes' | 'inVolumes' | 'size'>): Stratum[] {
  const strata: Stratum[] = []
  for (const volume of [...report.volumes].sort(byAgeThenPlace)) {
    const left = Math.min(1, volume.startByte / report.size)
    const share = Math.max(0, Math.min(1 - left, volume.lengthBytes / report.size))
    let row = 0
    while (strata.some((s) => s.row === row && overlaps(s.volume, volume))) row++
    strata.push({ volume, row, left, width: share, counts: report.inVolumes?.find((c) => c.volume === volume.index) })
  }
  const rows = Math.max(-1, ...strata.map((s) => s.row))
  for (let row = 0; row <= rows; row++) spread(strata.filter((s) => s.row === row))
  return strata
}

function byAgeThenPlace(a: Volume, b: Volume): number {
  const age = (v: Volume) => (v.state === 'earlier' ? 1 : 0)
  return age(a) - age(b) || a.startByte - b.startByte || a.index - b.index
}

function overlaps(a: Volume, b: Volume): boolean {
  return a.startByte < b.startByte + b.lengthBytes && b.startByte < a.startByte + a.lengthBytes
}

/** Gives each box of a row room to be read, without changing their order. */
function spread(row: Stratum[]): void {
  row.sort((a, b) => a.left - b.left)
  const narrowest = Math.min(NARROWEST, 1 / row.length)
  let taken = 0
  for (const [i, s] of row.entries()) {
    const after = (row.length - 1 - i) * narrowest
    s.left = Math.min(Math.max(s.left, taken), 1 - after - narrowest)
    const next = row[i + 1]
    const room = (next ? Math.max(next.left, s.left + narrowest) : 1) - s.left
    s.width = Math.max(narrowest, Math.min(s.width, room, 1 - after - s.left))
    taken = s.left + s.width
  }
}

/** Whether two sessions speak of one volume. */
export function isSameVolume(a: Volume, b: Volume): boolean {
  return a.startByte === b.startByte && a.lengthBytes === b.lengthBytes && a.fs === b.fs && a.state === b.state
}

/** Where a volume's findings are in the catalogue: each session numbers the volumes that it met by itself. */
export function findingsOf(
  volume: Volume,
  sessions: readonly Pick<ScanView, 'id' | 'report'>[],
): { volumes: string; volume: string } {
  const all = sessions.flatMap((s) =>
    (s.report?.volumes ?? []).filter((v) => isSameVolume(v, volume)).map((v) => `${s.id}:${v.index}`),
  )
  return { volumes: all.join(','), volume: volume.label || `volume ${volume.index}` }
}

/** A row's name: how far back it is. */
export function rowName(row: number): string {
  return ['now', 'earlier', 'older'][Math.min(row, 2)] ?? 'older'
}

/** What a volume holds, in one line. */
export function holds(volume: Volume, counts: VolumeCounts | undefined): string {
  if (volume.unread) return 'not read'
  if (!counts || counts.findings === 0) return 'no files found'
  const parts = Object.entries(counts.origins).map(([origin, n]) => `${n.toLocaleString('en')} ${origin}`)
  return parts.join(', ')
}

/** The share of a volume's findings that are whole; undefined where there is none. */
export function wholeShare(counts: VolumeCounts | undefined): number | undefined {
  return counts && counts.findings > 0 ? (counts.prognoses.whole ?? 0) / counts.findings : undefined
}
