import type { ImagingEvent } from '@/api/types'

/** A time during which no request was made, in milliseconds since 1970. */
export interface Rest {
  from: number
  to: number
}

/** Rests of a session; one that lasts still ends now. @param events in any order */
export function restsOf(events: readonly ImagingEvent[], now: number): Rest[] {
  const rests: Rest[] = []
  let from: number | undefined
  for (const e of [...events].sort((a, b) => a.at.localeCompare(b.at))) {
    const at = Date.parse(e.at)
    if (['rest', 'paused', 'limit', 'vanished', 'another', 'full', 'unsound', 'failed'].includes(e.kind)) from ??= at
    else if (['work', 'began', 'back'].includes(e.kind) && from !== undefined) {
      rests.push({ from, to: at })
      from = undefined
    }
  }
  if (from !== undefined) rests.push({ from, to: now })
  return rests
}

export const faultsOf = (events: readonly ImagingEvent[]): ImagingEvent[] => events.filter((e) => e.kind === 'fault')
