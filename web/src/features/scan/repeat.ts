import type { Carved, ScanMethod, ScanView } from '@/api/types'

/** What a session would do. */
export interface Wish {
  method: ScanMethod
  search: boolean
  volume?: number | null
  hashes: boolean
}

const reads = (m: ScanMethod | undefined): boolean => m === 'structure' || m === 'both'
const carves = (m: ScanMethod | undefined): boolean => m === 'carve' || m === 'both'

/**
 * Sessions that did together all that is wished, on the image as it stands: the same once more can add nothing. None
 * where it can, or where nobody can say.
 */
export function didAlready(wish: Wish, sessions: readonly ScanView[], image: Carved | undefined): ScanView[] {
  const same = sessions.filter(
    (s) =>
      s.state === 'done' &&
      !s.importedFrom &&
      s.imageSha256 !== undefined &&
      s.imageSha256 === image?.imageSha256 &&
      (s.volume ?? wish.volume ?? undefined) === (wish.volume ?? undefined) &&
      (s.hashes || !wish.hashes),
  )
  const parts = [
    reads(wish.method) ? same.find((s) => reads(s.method) && (s.search || !wish.search)) : undefined,
    carves(wish.method) ? same.find((s) => carves(s.method)) : undefined,
  ]
  const needed = Number(reads(wish.method)) + Number(carves(wish.method))
  const found = parts.filter((s): s is ScanView => s !== undefined)
  return found.length === needed ? [...new Set(found)] : []
}

/** Says so; empty where there is something to gain. */
export function alreadyWords(did: readonly ScanView[]): string {
  if (!did.length) return ''
  const who = did.length === 1 ? `Session ${did[0]!.id}` : `Sessions ${did.map((s) => s.id).join(' and ')}`
  return `${who} did this on the same image; nothing new can come of it.`
}
