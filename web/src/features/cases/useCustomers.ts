import { shallowRef, watch } from 'vue'
import { api, Refused } from '@/api/client'
import { onChanged } from '@/api/live'

const MOST = 200

/** Whose cases these are, by number; asked for once for each list. */
export function useCustomers(numbers: () => readonly string[]): (number: string) => string {
  const names = shallowRef<Record<string, string>>({})

  async function look(wanted: readonly string[]): Promise<void> {
    for (let at = 0; at < wanted.length; at += MOST) {
      const query = { numbers: wanted.slice(at, at + MOST) }
      try {
        names.value = { ...names.value, ...(await api.get('/api/cases/names', { query })) }
      } catch (e) {
        if (!(e instanceof Refused)) throw e // the list stands without names
      }
    }
  }
  watch(
    () =>
      [...new Set(numbers())]
        .filter((n) => !(n in names.value))
        .sort()
        .join(),
    (missing) => {
      if (missing) void look(missing.split(','))
    },
    { immediate: true },
  )
  onChanged((what, number) => {
    if (what === 'case' && number in names.value) void look([number])
  })
  return (number) => names.value[number] ?? ''
}
