import type { Docket, Ranking, RecoveryPath } from '@/api/types'

/** What a decision on a path needs. */
export type Need = { kind: 'nothing' } | { kind: 'reason'; why: string }

/** The first path may be taken as it is; any other, and a barred one, asks for a reason. */
export function needOf(ranking: Ranking, path: string): Need {
  const chosen = ranking.ranking.find((r) => r.path === path)
  if (chosen?.barred)
    return { kind: 'reason', why: `Barred: ${chosen.barredBecause.join(' ')} Write down why it is taken all the same.` }
  if (ranking.ranking[0]?.path !== path)
    return { kind: 'reason', why: 'Not the first of the ranking: write down why it is taken.' }
  return { kind: 'nothing' }
}

/** What a person picked, and the decision that stood when they did. */
export interface Pick {
  path: RecoveryPath
  stood: RecoveryPath | undefined
  why: string | undefined
}

type Decided = { [K in 'path' | 'pathReason']?: Docket[K] }

export const picked = (path: RecoveryPath, docket: Decided): Pick => ({
  path,
  stood: docket.path,
  why: docket.pathReason,
})

/** Whether somebody decided something else since a path was picked; the pick stays until its owner says so. */
export const decidedMeanwhile = (pick: Pick | undefined, docket: Decided): boolean =>
  pick !== undefined && (pick.stood !== docket.path || pick.why !== docket.pathReason)
