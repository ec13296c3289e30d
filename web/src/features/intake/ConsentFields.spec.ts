// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { CaseForm } from '@/api/types'
import ConsentFields from './ConsentFields.vue'

const CONSENT: CaseForm['consent'] = { look: 'names', told: '', mail: false, termsRead: false }
const fields = (over = {}) =>
  mount(ConsentFields, { props: { modelValue: { ...CONSENT, ...over }, deadline: undefined } })

it('may look at one thing, or at none', async () => {
  const consent = fields()
  const [names, previews] = consent.findAll('.opt')
  expect(names?.attributes('aria-pressed')).toBe('true')
  await names?.trigger('click')
  await previews?.trigger('click')
  expect(consent.emitted('update:modelValue')).toEqual([[{ ...CONSENT, look: '' }], [{ ...CONSENT, look: 'previews' }]])
})
it('has no deadline when the day is emptied', async () => {
  const consent = fields()
  await consent.find('#deadline').setValue('2026-12-01')
  await consent.find('#deadline').setValue('')
  expect(consent.emitted('update:deadline')?.flat()).toEqual(['2026-12-01', undefined])
})
it('marks the day that was refused', async () => {
  const consent = fields()
  await consent.setProps({ wrong: 'deadline' })
  expect(consent.find('#deadline').attributes('aria-invalid')).toBe('true')
})
