/** Numbers, sizes, times and hashes as the lab writes them. */

const UNITS = ['B', 'KiB', 'MiB', 'GiB', 'TiB', 'PiB']

/** Binary units; three digits that mean something. */
export function size(bytes: number): string {
  let value = bytes
  let unit = 0
  while (value >= 1024 && unit < UNITS.length - 1) {
    value /= 1024
    unit++
  }
  if (unit === 0) return `${value} B`
  return `${value >= 100 ? value.toFixed(0) : value >= 10 ? value.toFixed(1) : value.toFixed(2)} ${UNITS[unit]}`
}

const AS_SOLD: [number, string][] = [
  [1e12, 'TB'],
  [1e9, 'GB'],
  [1e6, 'MB'],
]

/** A device's capacity as it was said: decimal where it is round so, as devices are sold, binary else. */
export function capacity(bytes: number): string {
  const sold = AS_SOLD.find(([unit]) => bytes >= unit && bytes % (unit / 10) === 0)
  return sold ? `${bytes / sold[0]} ${sold[1]}` : size(bytes)
}

/** For a title beside a capacity: the binary size where another was said, and every byte. */
export function capacityInFull(value: number): string {
  return capacity(value) === size(value) ? bytes(value) : `${size(value)}, ${bytes(value)}`
}

/** For a title: every byte. */
export function bytes(value: number): string {
  return `${count(value)} bytes`
}

const COUNTS = new Intl.NumberFormat('en-GB')

export function count(value: number): string {
  return COUNTS.format(value)
}

export function percent(part: number, whole: number): string {
  if (whole === 0) return '0 %'
  const share = (100 * part) / whole
  if (share > 99.9 && part < whole) return '99.9 %'
  return `${share >= 100 ? '100' : share.toFixed(1)} %`
}

let zone = 'UTC'
/** Made once for a zone: each takes longer to make than a line of a list may take to be drawn. */
let forms = formsIn(zone)

function formsIn(timeZone: string) {
  const clock = { hour: '2-digit', minute: '2-digit' } as const
  const form = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat('en-GB', { timeZone, ...options })
  return {
    time: form(clock),
    day: form({ weekday: 'short', day: 'numeric', month: 'short' }),
    dateAndTime: form({ day: 'numeric', month: 'short', year: 'numeric', ...clock }),
  }
}

/** The lab's time zone, from the server's settings. */
export function useZone(name: string): void {
  zone = name
  forms = formsIn(name)
}

export function zoneName(): string {
  return zone
}

/** A record may hold a time that no calendar here reaches; a screen must not break over it. */
function said(form: Intl.DateTimeFormat, iso: string): string {
  const at = new Date(iso)
  return Number.isNaN(at.getTime()) ? 'not known' : form.format(at)
}

export function time(iso: string): string {
  return said(forms.time, iso)
}

export function day(iso: string): string {
  return said(forms.day, iso)
}

export function dayAndTime(iso: string): string {
  return `${day(iso)} ${time(iso)}`
}

export function dateAndTime(iso: string): string {
  return said(forms.dateAndTime, iso)
}

/** Seconds as people say them. */
export function duration(seconds: number): string {
  if (!Number.isFinite(seconds)) return 'not known'
  if (seconds > 0 && seconds < 0.5) return 'under 1 s'
  if (seconds < 60) return `${Math.max(0, Math.round(seconds))} s`
  if (seconds < 3600) return `${Math.round(seconds / 60)} min`
  const minutes = Math.round(seconds / 60)
  return minutes < 48 * 60
    ? `${Math.floor(minutes / 60)} h${minutes % 60 ? ` ${minutes % 60} min` : ''}`
    : `${Math.round(minutes / 1440)} days`
}

/** A hash shortened in the middle. */
export function shortHash(hash: string): string {
  return hash.length <= 12 ? hash : `${hash.slice(0, 4)}…${hash.slice(-4)}`
}

/** Four-character groups, to be read out. */
export function grouped(hash: string): string {
  return hash.replace(/(.{4})(?=.)/g, '$1 ')
}

/** The last two parts of a folder's path; the whole belongs in a title. */
export function shortPath(path: string): string {
  return path.split('/').slice(-2).join('/')
}

/** The words of a path code, like image-then-scan. */
export function words(code: string): string {
  return code.replace(/-/g, ' ')
}
