import type { PortalFile } from '@/api/types'

/** Comparing the customer's own copies with the signed list. */

/** A file that the customer dropped, named by its path within what was dropped. */
export interface Dropped {
  path: string
  size: number
}

export type Verdict = 'waiting' | 'equal' | 'differs'

export interface CheckedFile {
  line: PortalFile
  verdict: Verdict
  /** What is different, in words; empty when nothing is. */
  why: string
  /** As this browser computed it; absent where it could not read the file. */
  sha256?: string
}

/** The bag's own files beside the recovered ones; the manifest does not list them. */
const TAG_FILES = new Set([
  'bagit.txt',
  'bag-info.txt',
  'manifest-sha256.txt',
  'manifest-sha512.txt',
  'manifest-sha256.txt.sig',
  'manifest-sha512.txt.sig',
  'tagmanifest-sha256.txt',
  'tagmanifest-sha512.txt',
  'lab-key.pem',
  'account.json',
  'READ-ME.txt',
])

export function isTagFile(path: string): boolean {
  return TAG_FILES.has(path.slice(path.lastIndexOf('/') + 1))
}

/** Lines that can be checked: what was delivered. */
export function checkable(files: readonly PortalFile[]): PortalFile[] {
  return files.filter((f) => f.path && f.sha256)
}

/**
 * Which line of the list a dropped file stands for: by its path, however many folders around it were dropped too;
 * a single file also by its name, when only one line has it.
 */
export function lineFor(dropped: Dropped, lines: readonly PortalFile[]): PortalFile | undefined {
  const path = dropped.path.replace(/^\/+/, '').normalize('NFC')
  const byPath = lines.find((l) => {
    const listed = (l.path ?? '').normalize('NFC')
    const inside = listed.replace(/^data\//, '')
    return (
      path === listed ||
      path.endsWith(`/${listed}`) ||
      path === inside ||
      (path.includes('/') && path.endsWith(`/${inside}`) && inside.includes('/'))
    )
  })
  if (byPath) return byPath
  const name = path.split('/').at(-1)
  const sameName = lines.filter((l) => (l.path ?? '').normalize('NFC').split('/').at(-1) === name)
  return sameName.length === 1 ? sameName[0] : undefined
}

/** The line that a content stands for, whatever its name: one that is not known to be equal yet, else any. */
export function lineByHash(
  sha256: string,
  lines: readonly PortalFile[],
  results: ReadonlyMap<number, CheckedFile>,
): PortalFile | undefined {
  const same = lines.filter((l) => l.sha256 === sha256)
  return same.find((l) => results.get(l.number)?.verdict !== 'equal') ?? same[0]
}

/** Lines that nothing was found equal to: what a customer has not got, as far as was checked. */
export function missingOf(lines: readonly PortalFile[], results: ReadonlyMap<number, CheckedFile>): PortalFile[] {
  return lines.filter((l) => !results.has(l.number))
}

/** Compares a hash that was made here with the list. */
export function verdictOf(line: PortalFile, dropped: Dropped, sha256: string): CheckedFile {
  if (sha256 === line.sha256) return { line, verdict: 'equal', why: '', sha256 }
  const by = dropped.size - line.size
  const why =
    by === 0
      ? 'Same length, but its bytes are not the ones on the list.'
      : by < 0
        ? `Yours is ${-by} bytes shorter.`
        : `Yours is ${by} bytes longer.`
  return { line, verdict: 'differs', why, sha256 }
}

export interface CheckSum {
  equal: number
  differs: number
  waiting: number
  checked: number
}

export function sumOf(results: ReadonlyMap<number, CheckedFile>, lines: readonly PortalFile[]): CheckSum {
  const all = [...results.values()]
  const equal = all.filter((r) => r.verdict === 'equal').length
  const differs = all.filter((r) => r.verdict === 'differs').length
  return { equal, differs, checked: equal + differs, waiting: lines.length - equal - differs }
}

/** What this browser computed, for the lab to hold against what it sealed. */
export function seenOf(results: ReadonlyMap<number, CheckedFile>): { number: number; sha256: string }[] {
  return [...results.values()].flatMap((r) => (r.sha256 ? [{ number: r.line.number, sha256: r.sha256 }] : []))
}
