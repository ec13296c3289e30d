/** Times and drawing of what is heard or moves. */

/** `0:07`, `1:02:45`; tenths where a recording is short. */
export function clock(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds))
  const two = (n: number): string => String(n).padStart(2, '0')
  const hours = Math.floor(whole / 3600)
  const minutes = Math.floor(whole / 60) % 60
  return hours ? `${hours}:${two(minutes)}:${two(whole % 60)}` : `${minutes}:${two(whole % 60)}`
}

/** The curve of a wave as it stands on its baseline, in a box of a width and height. */
export function curve(wave: readonly number[], width: number, height: number): string {
  if (!wave.length) return ''
  const step = width / wave.length
  const round = (n: number): number => Math.round(n * 100) / 100
  const points = wave.map((loud, i) => `L${round((i + 0.5) * step)} ${round(height - Math.sqrt(loud) * height)}`)
  return `M0 ${height}${points.join('')}L${width} ${height}Z`
}

/** Marks under a wave: whole steps that leave room for their words. */
export function marks(seconds: number, most = 8): number[] {
  if (seconds <= 0) return [0]
  const step =
    [1, 2, 5, 10, 15, 30, 60, 120, 300, 600, 900, 1800, 3600, 7200].find((s) => seconds / s <= most) ??
    Math.ceil(seconds / most / 3600) * 3600
  return Array.from({ length: Math.floor(seconds / step) + 1 }, (_, i) => i * step)
}

/** Where a point of a box lies in time. */
export function timeAt(share: number, seconds: number): number {
  return Math.min(Math.max(0, share), 1) * seconds
}

/** A time that something is still heard after, of what may be played. */
export function within(at: number, playable: number): number {
  return Math.round(Math.min(Math.max(0, at), Math.max(0, playable - 1)) * 10) / 10
}
