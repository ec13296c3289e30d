import type { Person } from '@/api/types'

/** How many open cases each person owns, most first. */
export function workload(
  people: readonly Person[],
  open: Readonly<Record<string, number>>,
): { name: string; role: string; open: number }[] {
  return people
    .map((p) => ({ name: p.name, role: p.role.toLowerCase(), open: open[p.name] ?? 0 }))
    .sort((a, b) => b.open - a.open || a.name.localeCompare(b.name))
}
