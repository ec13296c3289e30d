import { describe, expect, it } from 'vitest'
import { amount, hundredths, type Job, nextStep, waitsFor } from './partner'

const job = (of: Partial<Job>): Job => ({
  id: 1,
  deviceId: 1,
  partner: 'Fastings Cleanroom',
  step: 'sent',
  expected: '2026-12-08',
  toCheck: false,
  sent: { on: '2026-12-01', parcel: '', condition: '', who: '', at: '' },
  ...of,
})

describe('a partner job', () => {
  it.each([
    ['480', 48000],
    ['480.5', 48050],
    ['480,50', 48050],
    [' 0.07 ', 7],
    ['12345678.99', 1234567899],
  ])('takes %s as an amount, and gives it back exactly', (typed, sum) => {
    expect(hundredths(typed)).toBe(sum)
    expect(hundredths(amount(sum, '').trim())).toBe(sum)
  })
  it.each(['', '-1', '1.234', '1e3', 'x', '1.', '123456789'])('takes %s as none', (typed) => {
    expect(hundredths(typed)).toBeUndefined()
  })
  it('writes an amount with both its places', () => {
    expect(amount(5, '£')).toBe('£ 0.05')
    expect(amount(48050, 'EUR')).toBe('EUR 480.50')
  })
  it('says what it waits for, and what is noted next', () => {
    expect(waitsFor(job({}))).toMatch(/^Fastings Cleanroom is to quote by .*Dec/)
    expect(waitsFor(job({ step: 'quoted' }))).toContain('The customer')
    expect(waitsFor(job({ step: 'approved' }))).toContain('works on it')
    expect(waitsFor(job({ step: 'refused' }))).toContain('as it is')
    expect(waitsFor(job({ step: 'back', toCheck: true }))).toContain('Check it on the bench')
    expect(waitsFor(job({ step: 'back' }))).toContain('was checked')
    expect((['sent', 'quoted', 'approved', 'refused', 'back'] as const).map((step) => nextStep(job({ step })))).toEqual(
      ['quote', 'answer', 'back', 'back', undefined],
    )
  })
})
