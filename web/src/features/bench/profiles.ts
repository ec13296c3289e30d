import type { CareProfile, ImagingView, StopLimits } from '@/api/types'
import { count, duration, size, words } from '@/ui/format/format'

export const profileName = (code: string): string => words(code)

/** The values that tell profiles apart, in the order in which an engineer asks for them. */
export function profileValues(p: CareProfile): { what: string; value: string }[] {
  return [
    { what: 'block', value: size(p.blockBytes) },
    { what: 'jump', value: `${size(p.firstJumpBytes || p.jumpBytes)}, ×${p.jumpGrowth}` },
    { what: 'time-out', value: `${p.timeoutSeconds} s` },
    { what: 'retries', value: String(p.retries) },
    { what: 'rest', value: p.restMillis ? `${p.restMillis} ms a fault` : 'none' },
  ]
}

export const PASSES = ['sweep', 'back-sweep', 'narrowing', 'single-sector', 'persistence'] as const

/** A pass with where the session is among them. */
export interface PassRow {
  pass: string
  /** 'unreached' when reading ended before it came to it. */
  state: 'done' | 'now' | 'next' | 'unreached'
  readBytes: number
  requests: number
  faults: number
  seconds: number
}

export function passRows(
  session: Pick<
    ImagingView,
    'pass' | 'state' | 'passes' | 'size' | 'readBytes' | 'failedBytes' | 'files' | 'endedEarly'
  >,
): PassRow[] {
  if (session.files) return copyRows(session)
  const open = session.size > session.readBytes + session.failedBytes
  const reached = Math.max(0, ...session.passes.map((p) => PASSES.indexOf(p.pass as (typeof PASSES)[number])))
  const at = session.pass === 'hashing' ? PASSES.length : PASSES.indexOf(session.pass as (typeof PASSES)[number])
  return PASSES.map((pass, i) => {
    const work = session.passes.find((p) => p.pass === pass)
    const over = session.state === 'done' || i < at
    const state = over ? (open && i > reached ? 'unreached' : 'done') : i === at ? 'now' : 'next'
    return {
      pass,
      state,
      readBytes: work?.readBytes ?? 0,
      requests: work?.requests ?? 0,
      faults: work?.faults ?? 0,
      seconds: (work?.millis ?? 0) / 1000,
    }
  })
}

/** A straight copy reads in one go, and checks. */
function copyRows(session: Pick<ImagingView, 'pass' | 'state' | 'passes' | 'endedEarly'>): PassRow[] {
  const work = session.passes.find((p) => p.pass === 'files')
  const over = session.state === 'done'
  const checking = session.pass === 'check'
  const none = { readBytes: 0, requests: 0, faults: 0, seconds: 0 }
  return [
    {
      pass: 'files',
      state: over || checking ? 'done' : 'now',
      readBytes: work?.readBytes ?? 0,
      requests: work?.requests ?? 0,
      faults: work?.faults ?? 0,
      seconds: (work?.millis ?? 0) / 1000,
    },
    { pass: 'check', state: over ? (session.endedEarly ? 'unreached' : 'done') : checking ? 'now' : 'next', ...none },
  ]
}

export function passWords(row: PassRow): string {
  if (row.state === 'next') return 'to come'
  if (row.state === 'unreached') return 'never reached'
  if (row.pass === 'check') return row.state === 'done' ? 'every file, from the copy' : 'at hand'
  if (!row.requests) return row.state === 'now' ? 'at hand' : 'nothing to do'
  const faults = row.faults ? `, ${row.faults} fault${row.faults === 1 ? '' : 's'}` : ''
  return `${size(row.readBytes)} in ${duration(row.seconds)}${faults}`
}

export const LIMITS: readonly { field: keyof StopLimits; label: string; unit: string }[] = [
  { field: 'faultsInRow', label: 'Faults in a row', unit: 'in a row' },
  { field: 'faultsInAll', label: 'Faults in all', unit: 'faults' },
  { field: 'celsius', label: 'Temperature (rests)', unit: '°C' },
  { field: 'growth', label: 'Growth of damaged sectors', unit: 'more damaged' },
  { field: 'minutes', label: 'Minutes of reading', unit: 'min' },
]

export const NO_LIMITS: StopLimits = { faultsInRow: 0, faultsInAll: 0, celsius: 0, growth: 0, minutes: 0 }

/** What a session stops at, in a line, the faults so far beside their limit; what is 0 is no limit. */
export function limitWords(limits: StopLimits, faults?: number): string {
  const set = LIMITS.filter((l) => limits[l.field] > 0).map((l) =>
    l.field === 'faultsInAll' && faults !== undefined
      ? `faults ${count(faults)} of ${count(limits[l.field])}`
      : `${count(limits[l.field])} ${l.unit}`,
  )
  return set.length ? set.join(' · ') : 'none'
}
