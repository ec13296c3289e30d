import type { EstimatePart } from '@/api/types'

/** Ranges as people say them. */

const UNITS: [number, string][] = [
  [86_400, 'days'],
  [3600, 'h'],
  [60, 'min'],
  [1, 's'],
]

/** Two ends of a range in the unit of the upper one, so that they can be compared at a glance. */
export function bandOf(part: EstimatePart | undefined): string {
  if (!part) return ''
  const [worth, unit] = UNITS.find(([w]) => part.high >= 2 * w) ?? [1, 's']
  return range(part.low / worth, part.high / worth, unit)
}

export function hoursBand(part: EstimatePart): string {
  return range(part.low, part.high, 'h')
}

export function moneyBand(part: EstimatePart, currency: string): string {
  if (part.high === 0) return 'nothing'
  const [low, high] = [part.low, part.high].map((v) => Math.round(v).toLocaleString('en-GB'))
  return low === high ? `${currency}${high}` : `${currency}${low}–${high}`
}

function range(low: number, high: number, unit: string): string {
  const [a, b] = [low, high].map((v) =>
    v >= 10
      ? String(Math.round(v))
      : v >= 0.95
        ? String(Number(v.toFixed(1)))
        : v > 0.05
          ? String(Number(v.toFixed(1)))
          : 'under 0.1',
  )
  return a === b ? `${b} ${unit}` : `${a}–${b} ${unit}`
}
