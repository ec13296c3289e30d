// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Refused } from './client'
import { offerUndo, useUndo } from './undo'

describe('the latest decision', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => {
    useUndo().dismiss()
    vi.useRealTimers()
  })

  it('can be undone once', async () => {
    const undone = vi.fn().mockResolvedValue(undefined)
    const { current, undo } = useUndo()
    offerUndo('BR-1 was handed over', undone)
    expect(current.value?.words).toBe('BR-1 was handed over')
    await undo()
    expect(current.value).toBeUndefined()
    await undo()
    expect(undone).toHaveBeenCalledTimes(1)
  })
  it('is offered for a while, and no longer for the one before', () => {
    const { current } = useUndo()
    offerUndo('first', vi.fn())
    vi.advanceTimersByTime(15_000)
    offerUndo('second', vi.fn())
    vi.advanceTimersByTime(15_000)
    expect(current.value?.words).toBe('second')
    vi.advanceTimersByTime(6_000)
    expect(current.value).toBeUndefined()
  })
  it('says why it cannot be undone any more, and stays', async () => {
    const { current, trouble, undo } = useUndo()
    offerUndo('a decision', () => Promise.reject(new Refused(409, 'Somebody decided again since.')))
    await undo()
    expect(trouble.value).toBe('Somebody decided again since.')
    expect(current.value?.words).toBe('a decision')
    offerUndo('another', vi.fn())
    expect(trouble.value).toBe('')
  })
  it('hides no fault', async () => {
    const { undo } = useUndo()
    offerUndo('a decision', () => Promise.reject(new Error('broken')))
    await expect(undo()).rejects.toThrow('broken')
  })
})
