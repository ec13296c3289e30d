import { describe, expect, it } from 'vitest'
import { bandOf, hoursBand, moneyBand } from './estimate'

const part = (low: number, high: number) => ({ low, high, reasons: ['r'] })

describe('an estimate', () => {
  it('has both ends in one unit', () => {
    expect(bandOf(part(6667, 14_286))).toBe('1.9–4 h')
    expect(bandOf(part(30, 60))).toBe('30–60 s')
    expect(bandOf(part(600, 5400))).toBe('10–90 min')
    expect(bandOf(part(40_000, 400_000))).toBe('0.5–4.6 days')
    expect(bandOf(part(1, 100_000))).toBe('under 0.1–28 h')
  })
  it('says nothing where nothing is read', () => {
    expect(bandOf(undefined)).toBe('')
  })
  it("has work in hours and money in the lab's currency", () => {
    expect(hoursBand(part(0.5, 2))).toBe('0.5–2 h')
    expect(moneyBand(part(420, 1400), '£')).toBe('£420–1,400')
    expect(moneyBand(part(0, 0), '£')).toBe('nothing')
    expect(moneyBand(part(60, 60), 'EUR ')).toBe('EUR 60')
  })
})
