import { describe, expect, it } from 'vitest'
import type { CaseSummary, Person } from '@/api/types'
import { workload } from './workload'

describe('workload', () => {
  it('counts open cases only, busiest first', () => {
    const people = [{ login: 't', name: 'Tom', role: 'ENGINEER' }, { login: 'u', name: 'Una', role: 'COORDINATOR' }] as Person[]
    const cases = [{ owner: 'Una', stage: 'imaging' }, { owner: 'Una', stage: 'closed' }, { owner: 'Una', stage: 'received' }, { owner: 'Tom', stage: 'declined' }] as CaseSummary[]
    expect(workload(people, cases)).toEqual([{ name: 'Una', role: 'coordinator', open: 2 }, { name: 'Tom', role: 'engineer', open: 0 }])
  })
})
