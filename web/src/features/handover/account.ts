import type { RecoveredFile } from '@/api/types'
import { outcomeWords } from '@/features/recovery'

/** What a manifest accounts for: every selected finding, in one of four words. */
export interface AccountSum {
  whole: RecoveredFile[]
  gapped: RecoveredFile[]
  doubtful: RecoveredFile[]
  missing: RecoveredFile[]
}

export function accountOf(files: readonly RecoveredFile[]): AccountSum {
  const of = (words: string) => files.filter((f) => outcomeWords(f) === words)
  return { whole: of('whole'), gapped: of('with gaps'), doubtful: of('doubtful'), missing: of('not written') }
}

/** Shares of the account band; what there is any of can always be seen. */
export function bandOf(sum: AccountSum): { part: keyof AccountSum; count: number; width: number }[] {
  const parts = (['whole', 'gapped', 'doubtful', 'missing'] as const)
    .map((part) => ({ part, count: sum[part].length }))
    .filter((p) => p.count > 0)
  const all = parts.reduce((n, p) => n + p.count, 0)
  const raw = parts.map((p) => Math.max(0.06, p.count / all))
  const sumRaw = raw.reduce((a, b) => a + b, 0)
  return parts.map((p, i) => ({ ...p, width: (raw[i] ?? 0) / sumRaw }))
}
