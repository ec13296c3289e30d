import type { Person } from '@/api/types'
import { nameAmong } from '@/features/staff'

/**
 * How many open cases each person owns, most first.
 *
 * @param open by sign-in name
 */
export function workload(
  people: readonly Person[],
  open: Readonly<Record<string, number>>,
): { login: string; name: string; role: string; open: number }[] {
  return people
    .map((p) => ({ login: p.login, name: nameAmong(people, p), role: p.role.toLowerCase(), open: open[p.login] ?? 0 }))
    .sort((a, b) => b.open - a.open || a.name.localeCompare(b.name))
}
