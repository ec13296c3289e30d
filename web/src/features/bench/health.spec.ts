import { describe, expect, it } from 'vitest'
import type { HealthReading, HealthSeries, StopLimits } from '@/api/types'
import { countersOf, originWords } from './health'

const series = (...readings: Partial<HealthReading>[]): HealthSeries =>
  ({ points: readings.map((reading, i) => ({ at: `2026-11-03T09:0${i}:00Z`, reading })) }) as unknown as HealthSeries

describe('counters worth a plot', () => {
  it('are those that the device gives, the worrying first', () => {
    const counters = countersOf(
      series({ pending: 2, celsius: 40 }, { pending: 5, celsius: 44, reallocated: 1 }),
      undefined,
    )
    expect(counters.map((c) => c.title)).toEqual(['Temperature', 'Reallocated', 'Pending'])
    expect(counters[2]!.samples.map((s) => s.value)).toEqual([2, 5])
    expect(counters[1]!.samples).toEqual([{ at: Date.parse('2026-11-03T09:01:00Z'), value: 1 }])
  })
  it('show the bound at which reading rests on the temperature alone', () => {
    const limits = { celsius: 55 } as StopLimits
    const [celsius, pending] = countersOf(series({ celsius: 40, pending: 0 }), limits)
    expect(celsius!.bound).toBe(55)
    expect(pending!.bound).toBeUndefined()
    expect(countersOf(series({ celsius: 40 }), { celsius: 0 } as StopLimits)[0]!.bound).toBeUndefined()
  })
  it('leave cable errors out until there is one', () => {
    expect(countersOf(series({ linkErrors: 0 }, { linkErrors: 0 }), undefined)).toEqual([])
    expect(countersOf(series({ linkErrors: 0 }, { linkErrors: 3 }), undefined).map((c) => c.title)).toEqual([
      'Cable errors',
    ])
  })
  it('are none where nothing was read', () => {
    expect(countersOf(undefined, undefined)).toEqual([])
  })
  it('say where a reading comes from', () => {
    expect(originWords({ origin: 'NVME' } as HealthReading)).toBe('NVMe log')
    expect(originWords({ origin: 'BY_HAND' } as HealthReading)).toBe('entered by hand')
  })
})
