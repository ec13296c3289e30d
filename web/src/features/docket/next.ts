import type { DeviceState, Docket, LockState, Vocabulary } from '@/api/types'

/** What comes next in a case, in one sentence, and where it is done. */
export interface NextMove {
  words: string
  place: string
  action: string
}

type Path = Pick<Vocabulary['paths'][number], 'firstMove' | 'startsAtTheBench'>

/** Where work is noted that is not done at the lab's bench. */
const ELSEWHERE: Record<string, Omit<NextMove, 'words'>> = {
  'existing-copy': { place: 'copies', action: 'Open copies' },
  'hardware-work': { place: 'partner', action: 'Open partner' },
}
const NOTES = { place: 'notes', action: 'Open notes' }

/** A decided case: its path says what is first, and a lock comes before it. */
function afterTriage(decided: Docket['path'], path: Path | undefined, locks: LockState | undefined): NextMove {
  const words = path?.firstMove ?? 'Attach the device at the Bench.'
  const released = locks?.rules.some((r) => r.release) ?? false
  if (path && !path.startsAtTheBench && !released)
    return { words: `${words} Note what came of it.`, ...(ELSEWHERE[decided ?? ''] ?? NOTES) }
  const shut = locks?.untouchable[0]
  if (shut) return { words: `The device must not be touched: ${shut}`, place: 'imaging', action: 'Open what stops it' }
  return { words, place: 'imaging', action: 'Open imaging' }
}

/** Where a device stands: by its own records until it is scanned, then with its case. */
export function stageOf(
  docket: Pick<Docket, 'stage'>,
  states: readonly DeviceState[],
  device: { id: number },
): Docket['stage'] {
  const own = states.find((s) => s.id === device.id)?.stage
  return own &&
    own !== 'selection' &&
    ['received', 'triaged', 'imaging', 'scanning', 'selection'].includes(docket.stage)
    ? own
    : docket.stage
}

type Standing = Pick<Docket, 'hold' | 'stage' | 'path'>

/**
 * @param path  that is decided
 * @param locks that hold now
 */
export function nextMove(docket: Standing, path: Path | undefined, locks?: LockState): NextMove {
  if (docket.hold)
    return {
      words: `It waits: ${docket.hold.reason} It comes up on the Desk by itself.`,
      place: docket.hold.from,
      action: 'Open the stage that it waits in',
    }
  switch (docket.stage) {
    case 'received':
      return {
        words: 'Look at the ranking and decide on a path; another than the first asks for a reason.',
        place: 'triaged',
        action: 'Open triage',
      }
    case 'triaged':
      return afterTriage(docket.path, path, locks)
    case 'imaging':
      return {
        words: 'Read the device as far as it is wanted, then scan the image. The device is not needed after that.',
        place: 'imaging',
        action: 'Open imaging',
      }
    case 'scanning':
      return {
        words: 'When the scan is done, choose in the catalogue what is to be recovered.',
        place: 'scanning',
        action: 'Open scanning',
      }
    case 'selection':
      return {
        words: 'Choose what is to be recovered; the wanted list comes first.',
        place: 'selection',
        action: 'Open catalogue',
      }
    case 'recovery':
      return { words: 'When everything is read back, seal the delivery.', place: 'recovery', action: 'Open recovery' }
    case 'handover':
      return {
        words: 'Give the customer their link, and the passcode another way. They check and confirm.',
        place: 'handover',
        action: 'Open handover',
      }
    case 'declined':
      return {
        words: 'The case was declined; a device that is here goes back as it came. Note that, and close the case.',
        place: 'closed',
        action: 'Open closing',
      }
    default:
      return {
        words: 'The case is closed. The custody record stays.',
        place: 'custody',
        action: 'Open custody',
      }
  }
}
