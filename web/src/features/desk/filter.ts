/** Which open cases are listed; it stands in the address, so that it can be kept and passed on. */
export interface CaseFilter {
  state: string
  stage: string
  owner: string
  path: string
  medium: string
  late: boolean
}

export const NO_FILTER: CaseFilter = { state: 'open', stage: '', owner: '', path: '', medium: '', late: false }

type Query = Record<string, unknown>
const text = (q: Query, key: string) => (typeof q[key] === 'string' ? (q[key] as string) : '')

export function filterOf(query: Query): CaseFilter {
  const state = text(query, 'state')
  return {
    state: ['closed', 'all'].includes(state) ? state : 'open',
    stage: text(query, 'stage'),
    owner: text(query, 'owner'),
    path: text(query, 'path'),
    medium: text(query, 'medium'),
    late: query.late === 'true',
  }
}

/** Only what is asked; nothing for no filter. */
export function queryOf(filter: CaseFilter): Record<string, string> {
  const query: Record<string, string> = {}
  for (const [key, value] of Object.entries(filter))
    if (value && !(key === 'state' && value === 'open')) query[key] = String(value)
  return query
}

export function isFiltered(filter: CaseFilter): boolean {
  return Object.keys(queryOf(filter)).length > 0
}
