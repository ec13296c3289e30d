import { describe, expect, it } from 'vitest'
import { goalsFor } from './find'

const goal = (label: string, near = false) => ({ label, hint: '', by: [], to: `/cases/${label}`, near })

describe('what Ctrl K offers', () => {
  it('is actions when nothing is typed', () => {
    expect(goalsFor('', []).map((g) => g.label)).toContain('New intake')
  })
  it('is cases first, then actions, then what was only nearly meant', () => {
    const found = goalsFor('bench', [goal('BR-1 Bench Makers'), goal('BR-2 Benchley', true)])
    expect(found.map((g) => g.label)).toEqual(['BR-1 Bench Makers', 'Bench', 'BR-2 Benchley'])
  })
  it('is never more than fits', () => {
    expect(
      goalsFor(
        '',
        Array.from({ length: 20 }, (_, i) => goal(`BR-${i}`)),
      ),
    ).toHaveLength(8)
  })
})
