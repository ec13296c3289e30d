import type { HealthReading, HealthSeries, StopLimits } from '@/api/types'
import type { Sample } from '@/ui/instruments/counters'

/** A counter that is worth a plot. */
export interface Counter {
  title: string
  unit?: string
  samples: Sample[]
  bound?: number
}

type Field = 'celsius' | 'reallocated' | 'pending' | 'uncorrectable' | 'linkErrors' | 'percentUsed'

const FIELDS: readonly { field: Field; title: string; unit?: string }[] = [
  { field: 'celsius', title: 'Temperature', unit: ' °C' },
  { field: 'reallocated', title: 'Reallocated' },
  { field: 'pending', title: 'Pending' },
  { field: 'uncorrectable', title: 'Uncorrectable' },
  { field: 'percentUsed', title: 'Endurance used', unit: ' %' },
  { field: 'linkErrors', title: 'Cable errors' },
]

const value = (r: HealthReading, field: Field): number | undefined => r[field]

/**
 * The counters that the device gives, in the order in which they worry people; cable errors only when there are any.
 */
export function countersOf(series: HealthSeries | undefined, limits: StopLimits | undefined): Counter[] {
  const points = series?.points ?? []
  return FIELDS.map(({ field, title, unit }) => ({
    title,
    unit,
    samples: points
      .filter((p) => value(p.reading, field) !== undefined)
      .map((p) => ({ at: Date.parse(p.at), value: value(p.reading, field)! })),
    bound: field === 'celsius' && limits?.celsius ? limits.celsius : undefined,
  })).filter((c) => c.samples.length > 0 && (c.title !== 'Cable errors' || c.samples.some((s) => s.value > 0)))
}

const ORIGIN: Record<HealthReading['origin'], string> = {
  ATA: 'SMART data',
  NVME: 'NVMe log',
  KERNEL: 'the kernel',
  BY_HAND: 'entered by hand',
}

export const originWords = (r: HealthReading): string => ORIGIN[r.origin]
