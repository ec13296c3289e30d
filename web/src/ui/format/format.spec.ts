import { describe, expect, it } from 'vitest'
import {
  capacity,
  capacityInFull,
  dateAndTime,
  day,
  duration,
  grouped,
  percent,
  shortHash,
  shortPath,
  size,
} from './format'

describe('sizes', () => {
  it('are binary with three digits that mean something', () => {
    expect(size(0)).toBe('0 B')
    expect(size(1023)).toBe('1023 B')
    expect(size(1024)).toBe('1.00 KiB')
    expect(size(33554432)).toBe('32.0 MiB')
    expect(size(2e12)).toBe('1.82 TiB')
  })
})

describe('capacities', () => {
  it('are said as devices are sold, with the binary size behind', () => {
    expect(capacity(64e9)).toBe('64 GB')
    expect(capacity(1.5e12)).toBe('1.5 TB')
    expect(capacityInFull(64e9)).toBe('59.6 GiB, 64,000,000,000 bytes')
  })
  it('are binary where they were measured so', () => {
    expect(capacity(16 << 20)).toBe('16.0 MiB')
    expect(capacity(1000204886016)).toBe('932 GiB')
    expect(capacityInFull(16 << 20)).toBe('16,777,216 bytes')
  })
})

describe('shares', () => {
  it('say 100 % only when nothing is missing', () => {
    expect(percent(999999, 1000000)).toBe('99.9 %')
    expect(percent(1000000, 1000000)).toBe('100 %')
    expect(percent(0, 0)).toBe('0 %')
  })
})

describe('places', () => {
  it('show a folder by its last two parts', () => {
    expect(shortPath('/srv/lab/.brantel/inbox')).toBe('.brantel/inbox')
    expect(shortPath('inbox')).toBe('inbox')
  })
})

describe('times and hashes', () => {
  it('does not break over a time that no calendar reaches', () => {
    expect(dateAndTime('+1000000000-12-31T23:59:59Z')).toBe('not known')
    expect(day('')).toBe('not known')
  })
  it('say how long in words', () => {
    expect(duration(12)).toBe('12 s')
    expect(duration(0.2)).toBe('under 1 s')
    expect(duration(0)).toBe('0 s')
    expect(duration(600)).toBe('10 min')
    expect(duration(5400)).toBe('1 h 30 min')
    expect(duration(Infinity)).toBe('not known')
  })
  it('shorten a hash in the middle and group it for reading out', () => {
    expect(shortHash('a1a0ffffffffffff7e41')).toBe('a1a0…7e41')
    expect(grouped('a1a07e41')).toBe('a1a0 7e41')
  })
})
