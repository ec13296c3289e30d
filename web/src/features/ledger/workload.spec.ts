import { describe, expect, it } from 'vitest'
import type { Person } from '@/api/types'
import { workload } from './workload'

describe('workload', () => {
  it('has everybody, busiest first', () => {
    const people = [
      { login: 't', name: 'Tom', role: 'ENGINEER' },
      { login: 'u', name: 'Una', role: 'COORDINATOR' },
    ] as Person[]
    expect(workload(people, { Una: 2, 'Somebody who left': 4 })).toEqual([
      { name: 'Una', role: 'coordinator', open: 2 },
      { name: 'Tom', role: 'engineer', open: 0 },
    ])
  })
})
