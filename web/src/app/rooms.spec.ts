import { describe, expect, it } from 'vitest'
import { roomOf } from './rooms'

describe('rooms', () => {
  it('follow the work that is done on a docket', () => {
    expect(roomOf('desk', 'imaging')).toBe('bench')
    expect(roomOf('desk', 'triaged')).toBe('desk')
    expect(roomOf(undefined, '')).toBeUndefined()
  })
})
