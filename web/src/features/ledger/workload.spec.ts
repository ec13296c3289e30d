import { describe, expect, it } from 'vitest'
import type { Person } from '@/api/types'
import { workload } from './workload'

describe('workload', () => {
  it('has everybody, busiest first, and tells two of one name apart', () => {
    const people = [
      { login: 't', name: 'Tom', role: 'ENGINEER' },
      { login: 'u', name: 'Una', role: 'COORDINATOR' },
      { login: 'v', name: 'Una', role: 'MANAGER' },
    ] as Person[]
    expect(workload(people, { u: 2, v: 1, gone: 4 })).toEqual([
      { login: 'u', name: 'Una (u)', role: 'coordinator', open: 2 },
      { login: 'v', name: 'Una (v)', role: 'manager', open: 1 },
      { login: 't', name: 'Tom', role: 'engineer', open: 0 },
    ])
  })
})
