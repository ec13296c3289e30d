import { readonly, ref, type Ref } from 'vue'
import { Refused } from './client'

export interface Action {
  readonly busy: Readonly<Ref<boolean>>
  readonly refused: Readonly<Ref<Refused | undefined>>
  /**
   * Runs it; a refusal is kept to be shown, anything else is a fault of ours and thrown. @returns whether it went
   * through
   */
  run: (work: () => Promise<unknown>) => Promise<boolean>
  clear: () => void
}

/** Something that a person does and that may be refused. */
export function useAction(): Action {
  const busy = ref(false)
  const refused = ref<Refused>()
  return {
    busy: readonly(busy),
    refused: readonly(refused) as Readonly<Ref<Refused | undefined>>,
    clear: () => (refused.value = undefined),
    async run(work) {
      busy.value = true
      try {
        await work()
        refused.value = undefined
        return true
      } catch (e) {
        if (!(e instanceof Refused)) throw e
        refused.value = e
        return false
      } finally {
        busy.value = false
      }
    },
  }
}
