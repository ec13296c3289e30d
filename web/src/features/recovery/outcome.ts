import type { RecoveredFile, RecoveryRun } from '@/api/types'

/** What became of a file, in a word; a doubtful finding stays doubtful however well it was written. */
export function outcomeWords(file: RecoveredFile): string {
  if (file.outcome === 'not-written') return 'not written'
  if (file.outcome === 'gapped') return 'with gaps'
  return file.prognosis === 'doubtful' ? 'doubtful' : 'whole'
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
