import type { Stop } from '@/api/types'

/** Stop rules in the lab's words, and in the order in which they matter on the phone. */
const WORDS: Record<string, string> = {
  'no-power': 'Do not power this device again',
  'keep-off': 'Switch it off now and leave it off',
  'take-out': 'Take the medium out of its host',
  'no-opening': 'Do not open or shake it',
  'no-writes': 'Nothing new on it',
  'no-format': 'Do not format it, whatever asks',
  'no-repair-tool': 'No check-and-fix run',
  'keep-attached': 'Do not unplug it while it is read',
  'no-guess-key': 'No more passphrase tries',
}

export function stopWords(code: string): string {
  return WORDS[code] ?? code.replace(/-/g, ' ')
}

/** One line for each rule, however many facts ask for it. */
export function distinctStops(stops: readonly Stop[]): Stop[] {
  const byCode = new Map<string, Stop>()
  for (const stop of stops) {
    const known = byCode.get(stop.code)
    if (known) byCode.set(stop.code, { ...known, because: [...new Set([...known.because, ...stop.because])] })
    else byCode.set(stop.code, stop)
  }
  const order = Object.keys(WORDS)
  return [...byCode.values()].sort((a, b) => order.indexOf(a.code) - order.indexOf(b.code))
}

/** What to say now, each sentence once. */
export function sentences(stops: readonly Stop[]): string[] {
  return [...new Set(distinctStops(stops).map((s) => s.say))]
}
