import { ref, type Ref } from 'vue'
import { useAction, type Action } from '@/api/action'
import { api } from '@/api/client'
import type { CaseForm } from '@/api/types'
import { formOf, toSend } from '@/features/cases'

export interface Saving {
  readonly saving: Action
  /** What somebody else saved meanwhile; nothing is saved over it unasked. */
  readonly theirs: Ref<CaseForm | undefined>
  log: () => Promise<void>
  /** Saves mine over theirs. */
  saveOver: () => Promise<void>
  /** Goes on with theirs. */
  take: (other: CaseForm) => void
}

/**
 * Logs a case, or saves one that is logged.
 *
 * @param done is told under which number it stands
 */
export function useSaving(
  form: Ref<CaseForm>,
  number: Readonly<Ref<string | undefined>>,
  done: (number: string) => Promise<void>,
): Saving {
  const saving = useAction()
  const theirs = ref<CaseForm>()

  async function log(): Promise<void> {
    if (saving.busy.value) return
    const path = number.value === undefined ? undefined : { number: number.value }
    const through = await saving.run(async () => {
      const body = toSend(form.value)
      const docket = path
        ? await api.put('/api/cases/{number}', { path, body })
        : await api.post('/api/cases', { body })
      await done(docket.number)
    })
    if (!through && saving.refused.value?.status === 409 && path)
      theirs.value = formOf(await api.get('/api/cases/{number}', { path }))
  }
  async function saveOver(): Promise<void> {
    form.value = { ...form.value, version: theirs.value?.version }
    theirs.value = undefined
    await log()
  }
  function take(other: CaseForm): void {
    form.value = other
    theirs.value = undefined
    saving.clear()
  }
  return { saving, theirs, log, saveOver, take }
}
