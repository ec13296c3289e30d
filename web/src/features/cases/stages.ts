import type { CaseSummary } from '@/api/types'

/** The stages of a case in order. */
export const STAGES = [
  'received',
  'triaged',
  'imaging',
  'scanning',
  'selection',
  'recovery',
  'handover',
  'closed',
] as const

export type Stage = (typeof STAGES)[number]

export function stageName(stage: string): string {
  return stage.charAt(0).toUpperCase() + stage.slice(1).replace('-', ' ')
}

/** Cases by stage, in the order of the stages; stages without a case are left out. */
export function byStage(cases: readonly CaseSummary[]): { stage: string; cases: CaseSummary[] }[] {
  const order: string[] = [...STAGES.filter((s) => s !== 'closed'), 'on-hold', 'closed', 'declined']
  return order
    .map((stage) => ({ stage, cases: cases.filter((c) => c.stage === stage) }))
    .filter((g) => g.cases.length > 0)
}
