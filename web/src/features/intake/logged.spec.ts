import { expect, it } from 'vitest'
import { emptyForm } from '@/features/cases'
import { fieldId, loggedWords } from './logged'

it('says what was logged', () => {
  const form = emptyForm()
  form.customer.name = 'Village Band'
  form.devices = [{ ...form.devices[0]!, type: 'hdd', capacity: '2 TB' }]
  form.wanted = [{ words: 'the scores', kinds: [], pattern: '', hopedFor: 0, minBytes: 0, mustHave: true }]
  expect(loggedWords('BR-1', form)).toBe(
    'BR-1 was logged for Village Band: hdd of 2 TB, 0 facts, 1 wanted line. P prints its labels.',
  )
})
it('knows where a refused field is entered', () => {
  expect(fieldId('customer.name')).toBe('customer')
  expect(fieldId('devices[0].capacity')).toBe('capacity')
  expect(fieldId('consent')).toBeUndefined()
  expect(fieldId(undefined)).toBeUndefined()
})
