import { describe, expect, it } from 'vitest'
import type { Person } from '@/api/types'
import { nameAmong, peopleToChoose } from './people'

const people = [
  { login: 'una', name: 'Una Sand', role: 'COORDINATOR' },
  { login: 'tom2', name: 'Tom Gale', role: 'MANAGER' },
  { login: 'tom', name: 'Tom Gale', role: 'ENGINEER' },
] as Person[]

describe('people to choose from', () => {
  it('stand in order of their names, two of one name told apart', () => {
    expect(peopleToChoose(people)).toEqual([
      { value: 'tom', text: 'Tom Gale (tom)' },
      { value: 'tom2', text: 'Tom Gale (tom2)' },
      { value: 'una', text: 'Una Sand' },
    ])
  })

  it('keep their plain name where nobody else has it', () => {
    expect(nameAmong(people, { login: 'una', name: 'Una Sand' })).toBe('Una Sand')
    expect(nameAmong(people, { login: 'new', name: 'Tom Gale' })).toBe('Tom Gale (new)')
  })
})
