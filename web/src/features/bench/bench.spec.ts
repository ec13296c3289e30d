import { describe, expect, it } from 'vitest'
import type { CareProfile, HealthSeries, ImagingEvent, ImagingView } from '@/api/types'
import { faultsOf, restsOf } from './events'
import { countersOf } from './health'
import { around, FIRST, magnified, moved } from './lens'
import { limitWords, passRows, passWords, profileValues } from './profiles'

describe('the lens', () => {
  it('never leaves the device', () => {
    expect(moved(FIRST, -1)).toEqual(FIRST)
    const end = around(FIRST, 1)
    expect(end.to).toBe(1)
    expect(moved(end, 1)).toEqual(end)
  })
  it('magnifies around its middle', () => {
    const near = magnified({ from: 0.4, to: 0.5 }, true)
    expect(near.from).toBeCloseTo(0.425)
    expect(near.to).toBeCloseTo(0.475)
  })
  it('stops at its limits', () => {
    let s = FIRST
    for (let i = 0; i < 40; i++) s = magnified(s, true)
    expect(s.to - s.from).toBeCloseTo(1 / 4096)
    for (let i = 0; i < 40; i++) s = magnified(s, false)
    expect(s.to - s.from).toBeCloseTo(1 / 5)
  })
})

const passes = (pass: string, state: ImagingView['state'], work: ImagingView['passes'] = [], readBytes = 100) =>
  passRows({ pass, state, passes: work, size: 100, readBytes, failedBytes: 0, endedEarly: false })

describe('passes', () => {
  it('are done, at hand or to come', () => {
    expect(passes('back-sweep', 'running').map((p) => p.state)).toEqual(['done', 'now', 'next', 'next', 'next'])
    expect(passes('sweep', 'done').every((p) => p.state === 'done')).toBe(true)
    expect(passes('hashing', 'running').every((p) => p.state === 'done')).toBe(true)
  })
  it('say what they came to', () => {
    const [sweep, back, narrowing] = passes('back-sweep', 'running', [
      { pass: 'sweep', requests: 9, readBytes: 1 << 20, faults: 2, millis: 4000 },
    ])
    expect(passWords(sweep!)).toBe('1.00 MiB in 4 s, 2 faults')
    expect(passWords(back!)).toBe('at hand')
    expect(passWords(narrowing!)).toBe('to come')
    expect(passWords(passes('sweep', 'done')[1]!)).toBe('nothing to do')
  })
  it('were never reached where reading ended before', () => {
    const work = [{ pass: 'sweep', requests: 9, readBytes: 60, faults: 5, millis: 4000 }]
    expect(passes('hashing', 'done', work, 60).map(passWords).slice(1)).toEqual(Array(4).fill('never reached'))
  })
})

describe('the care profile', () => {
  it('shows what tells it from the others', () => {
    const profile = {
      blockBytes: 65536,
      firstJumpBytes: 0,
      jumpBytes: 131072,
      jumpGrowth: 8,
      timeoutSeconds: 20,
      retries: 2,
      restMillis: 20,
    } as CareProfile
    expect(profileValues(profile).map((v) => v.value)).toEqual([
      '64.0 KiB',
      '128 KiB, ×8',
      '20 s',
      '2',
      '20 ms a fault',
    ])
  })
  it('sets the faults so far beside their limit', () => {
    const limits = { faultsInRow: 0, faultsInAll: 5000, celsius: 0, growth: 0, minutes: 0 }
    expect(limitWords(limits, 130)).toBe('faults 130 of 5,000')
  })
  it('names the limits that are set', () => {
    expect(limitWords({ faultsInRow: 64, faultsInAll: 0, celsius: 55, growth: 0, minutes: 0 })).toBe(
      '64 in a row · 55 °C',
    )
    expect(limitWords({ faultsInRow: 0, faultsInAll: 0, celsius: 0, growth: 0, minutes: 0 })).toBe('none')
  })
})

const event = (at: number, kind: string) => ({ at: new Date(at * 1000).toISOString(), kind, words: '' }) as ImagingEvent

describe('events', () => {
  it('are rests from when reading stopped until it went on', () => {
    const rests = restsOf(
      [event(9, 'began'), event(5, 'vanished'), event(1, 'began'), event(2, 'rest'), event(3, 'work')],
      20_000,
    )
    expect(rests).toEqual([
      { from: 2000, to: 3000 },
      { from: 5000, to: 9000 },
    ])
  })
  it('keep a rest open that lasts', () => {
    expect(restsOf([event(2, 'rest'), event(3, 'fault')], 20_000)).toEqual([{ from: 2000, to: 20_000 }])
    expect(faultsOf([event(2, 'rest'), event(3, 'fault')])).toHaveLength(1)
  })
})

describe('health counters', () => {
  const point = (at: number, reading: object) => ({ at: new Date(at).toISOString(), who: '', reading })
  it('are those that the device gives, with the limit of the temperature', () => {
    const series = {
      points: [
        point(0, { celsius: 40, pending: 3, linkErrors: 0 }),
        point(1000, { celsius: 44, pending: 5, linkErrors: 0 }),
      ],
      words: '',
    } as unknown as HealthSeries
    const counters = countersOf(series, { faultsInRow: 0, faultsInAll: 0, celsius: 55, growth: 0, minutes: 0 })
    expect(counters.map((c) => c.title)).toEqual(['Temperature', 'Pending'])
    expect(counters[0]!.bound).toBe(55)
    expect(counters[1]!.samples).toEqual([
      { at: 0, value: 3 },
      { at: 1000, value: 5 },
    ])
  })
})
