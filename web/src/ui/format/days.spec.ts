import { expect, it } from 'vitest'
import { daysFromNow } from './days'

it('counts days', () => {
  expect(daysFromNow(7, Date.parse('2026-11-25T12:00:00Z'))).toBe('2026-12-02')
  expect(daysFromNow(0, Date.parse('2026-11-25T12:00:00Z'))).toBe('2026-11-25')
})
