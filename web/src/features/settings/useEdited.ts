import { computed, ref, watch, type ComputedRef, type Ref } from 'vue'

export interface Edited<T> {
  /** What stands in the form. */
  value: Ref<T>
  /** It is not what is in force. */
  changed: ComputedRef<boolean>
  /** Takes what is in force again. */
  putBack: () => void
  /** What stands in the form is in force now. */
  saved: () => void
}

const PREFIX = 'brantel-settings-'
const copy = <T>(of: T): T => JSON.parse(JSON.stringify(of)) as T

/**
 * A form of settings. What was entered and not saved stays: when others save, when this person saves another form,
 * leaves the page or loads it anew.
 *
 * @param key     names the form; another one shows another form's entries
 * @param inForce what the server has
 */
export function useEdited<T>(key: () => string, inForce: () => T): Edited<T> {
  const read = (): T | undefined => {
    const kept = sessionStorage.getItem(PREFIX + key())
    return kept === null ? undefined : (JSON.parse(kept) as T)
  }
  const value = ref(read() ?? copy(inForce())) as Ref<T>
  const accepted = ref<string>()
  const changed = computed(() => ![JSON.stringify(inForce()), accepted.value].includes(JSON.stringify(value.value)))

  watch(key, () => {
    accepted.value = undefined
    value.value = read() ?? copy(inForce())
  })
  watch(inForce, (now) => {
    accepted.value = undefined
    if (read() === undefined) value.value = copy(now)
  })
  watch(
    value,
    () => {
      if (changed.value) sessionStorage.setItem(PREFIX + key(), JSON.stringify(value.value))
      else sessionStorage.removeItem(PREFIX + key())
    },
    { deep: true },
  )
  const forget = () => sessionStorage.removeItem(PREFIX + key())
  return {
    value,
    changed,
    putBack() {
      forget()
      value.value = copy(inForce())
    },
    saved() {
      accepted.value = JSON.stringify(value.value)
      forget()
    },
  }
}
