import type { RecoveredFile, RecoveryRun } from '@/api/types'

/** What became of a file, in a word; a doubtful finding stays doubtful however well it was written. */
export function outcomeWords(file: RecoveredFile): string {
  if (file.outcome === 'not-written') return 'not written'
  if (file.outcome === 'gapped') return 'with gaps'
  return file.prognosis === 'doubtful' ? 'doubtful' : 'whole'
}

const RANK: Record<string, number> = { 'not written': 0, 'with gaps': 1, doubtful: 2, whole: 3 }

export function worstFirst(files: readonly RecoveredFile[]): RecoveredFile[] {
  return [...files].sort(
    (a, b) =>
      (RANK[outcomeWords(a)] ?? 0) - (RANK[outcomeWords(b)] ?? 0) || (a.path ?? a.name).localeCompare(b.path ?? b.name),
  )
}

export function runWords(run: RecoveryRun): string {
  switch (run.state) {
    case 'waiting':
      return 'Waiting for a free worker.'
    case 'running':
      return 'Writing to the lab store, reading each file back.'
    case 'paused':
      return run.trouble ?? 'Paused; what was written stands.'
    case 'failed':
      return `${run.trouble ?? 'It ended.'} What was written stands; resume when that is mended.`
    default:
      return 'Done. Every file was read back and hashed again.'
  }
}
