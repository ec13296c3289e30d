import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick, ref } from 'vue'
import { draftKey, dropDraft, keepDraft, readDraft } from './draft'
import { emptyForm } from './form'

beforeEach(() => localStorage.clear())

describe('a draft', () => {
  it('is there again after a reload, and gone once it is logged', async () => {
    const form = ref(emptyForm())
    keepDraft(draftKey(undefined), form)
    form.value.customer.name = 'Skerrow Village Band'
    await nextTick()
    expect(readDraft(draftKey(undefined))?.customer.name).toBe('Skerrow Village Band')
    dropDraft(draftKey(undefined))
    expect(readDraft(draftKey(undefined))).toBeUndefined()
  })
  it('of one case is not another\'s', () => {
    expect(draftKey('BR-2611-0001')).not.toBe(draftKey(undefined))
  })
  it('that was cut off is as if there were none', () => {
    localStorage.setItem(draftKey(undefined), '{"customer":{"na')
    expect(readDraft(draftKey(undefined))).toBeUndefined()
  })
})
