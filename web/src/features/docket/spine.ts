import { type Stage, STAGES } from '@/features/cases'

/** One stage on the spine. */
export interface Stop {
  stage: string
  /** Where the case stands, what is behind it, what is to come. */
  state: 'done' | 'now' | 'next'
  at?: string
  who?: string
}

interface Visit {
  stage: string
  at: string
  who: string
}

/** The stages as a vertical track. A case on hold ends there; one that was declined has only to be closed. */
export function spineOf(current: string, visits: readonly Visit[]): Stop[] {
  const visited = new Map(visits.map((v) => [v.stage, v]))
  const stop = (stage: string, state: Stop['state']): Stop => {
    const v = state === 'next' ? undefined : visited.get(stage)
    return { stage, state, at: v?.at, who: v?.who }
  }
  const reached = STAGES.indexOf(current as Stage)
  if (reached < 0) {
    const behind = STAGES.filter((s) => visited.has(s) && s !== 'closed').map((s) => stop(s, 'done'))
    return [...behind, stop(current, 'now'), ...(current === 'declined' ? [stop('closed', 'next')] : [])]
  }
  return STAGES.map((s, i) => stop(s, i < reached ? 'done' : i === reached ? 'now' : 'next'))
}
