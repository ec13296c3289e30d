import { describe, expect, it } from 'vitest'
import { filterOf, isFiltered, NO_FILTER, queryOf } from './filter'

describe('a filter of the Desk', () => {
  it('goes into the address and comes back', () => {
    const filter = { ...NO_FILTER, stage: 'imaging', owner: 'tom', late: true }
    expect(queryOf(filter)).toEqual({ stage: 'imaging', owner: 'tom', late: 'true' })
    expect(filterOf(queryOf(filter))).toEqual(filter)
  })
  it('is nothing when nothing is asked', () => {
    expect(queryOf(NO_FILTER)).toEqual({})
    expect(isFiltered(NO_FILTER)).toBe(false)
    expect(isFiltered({ ...NO_FILTER, state: 'closed' })).toBe(true)
  })
  it('takes nothing strange from an address', () => {
    expect(filterOf({ state: 'burnt', stage: ['a', 'b'], late: 'yes' })).toEqual(NO_FILTER)
  })
})
