import type { CaseSummary, Person } from '@/api/types'

const OVER = ['closed', 'declined']

/** How many open cases each person owns, most first. */
export function workload(people: readonly Person[], cases: readonly CaseSummary[]): { name: string; role: string; open: number }[] {
  const open = cases.filter((c) => !OVER.includes(c.stage))
  return people
    .map((p) => ({ name: p.name, role: p.role.toLowerCase(), open: open.filter((c) => c.owner === p.name).length }))
    .sort((a, b) => b.open - a.open || a.name.localeCompare(b.name))
}
