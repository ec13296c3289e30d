import { watch, type Ref } from 'vue'
import type { CaseForm } from '@/api/types'

/** What is typed is kept in this browser until it is logged, and is there again after a reload. */

export function draftKey(caseNumber: string | undefined): string {
  return `brantel-draft-${caseNumber ?? 'new'}`
}

export function readDraft(key: string): CaseForm | undefined {
  const text = localStorage.getItem(key)
  if (!text) return undefined
  try {
    const draft = JSON.parse(text) as Partial<CaseForm>
    return draft.customer && draft.device && Array.isArray(draft.facts) && Array.isArray(draft.wanted) ? (draft as CaseForm) : undefined
  } catch {
    return undefined // written by another version, or cut off: as if there were none
  }
}

export function dropDraft(key: string): void {
  localStorage.removeItem(key)
}

export function keepDraft(key: string, form: Ref<CaseForm>): void {
  watch(form, (now) => localStorage.setItem(key, JSON.stringify(now)), { deep: true })
}
