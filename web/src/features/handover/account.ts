import type { RecoveryAccount } from '@/api/types'

/** What a manifest accounts for: every selected finding, in one of four words. */
export type Part = 'whole' | 'gapped' | 'doubtful' | 'missing'

function counts(account: RecoveryAccount): { part: Part; count: number }[] {
  return [
    { part: 'whole', count: account.whole },
    { part: 'gapped', count: account.gapped.files },
    { part: 'doubtful', count: account.doubtful.files },
    { part: 'missing', count: account.missing.files },
  ]
}

export function filesOf(account: RecoveryAccount): number {
  return counts(account).reduce((n, p) => n + p.count, 0)
}

/** Shares of the account band; what there is any of can always be seen. */
export function bandOf(account: RecoveryAccount): { part: Part; count: number; width: number }[] {
  const parts = counts(account).filter((p) => p.count > 0)
  const all = filesOf(account)
  const raw = parts.map((p) => Math.max(0.06, p.count / all))
  const sumRaw = raw.reduce((a, b) => a + b, 0)
  return parts.map((p, i) => ({ ...p, width: (raw[i] ?? 0) / sumRaw }))
}
