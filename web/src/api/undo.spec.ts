// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Refused } from './client'
import { forgetUndo, offerUndo, useUndo } from './undo'

describe('what was done', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => {
    forgetUndo()
    vi.useRealTimers()
  })

  it('can be undone once', async () => {
    const undone = vi.fn().mockResolvedValue(undefined)
    const { newest, undo } = useUndo()
    offerUndo('BR-1 is with Tom now', undone)
    const first = newest.value
    expect(first?.words).toBe('BR-1 is with Tom now')
    await undo(first)
    expect(newest.value).toBeUndefined()
    await undo(first)
    expect(undone).toHaveBeenCalledTimes(1)
  })
  it('has its own way back each, the newest first', async () => {
    const [one, two] = [vi.fn().mockResolvedValue(1), vi.fn().mockResolvedValue(2)]
    const { done, undo } = useUndo()
    offerUndo('first', one)
    offerUndo('second', two)
    expect(done.value.map((u) => u.words)).toEqual(['second', 'first'])
    await undo(done.value[1])
    expect(one).toHaveBeenCalledOnce()
    expect(two).not.toHaveBeenCalled()
    expect(done.value.map((u) => u.words)).toEqual(['second'])
  })
  it('is held under the eyes for a while, and can be taken back for minutes', () => {
    const { newest, shown } = useUndo()
    offerUndo('first', vi.fn())
    vi.advanceTimersByTime(15_000)
    expect(shown.value).toBe(true)
    vi.advanceTimersByTime(6_000)
    expect(shown.value).toBe(false)
    expect(newest.value?.words).toBe('first')
    vi.advanceTimersByTime(5 * 60_000)
    expect(newest.value).toBeUndefined()
  })
  it('says why it cannot be undone any more, and stays', async () => {
    const { newest, trouble, undo } = useUndo()
    offerUndo('It was decided.', () => Promise.reject(new Refused(409, 'Somebody decided again since.')))
    await undo(newest.value)
    expect(trouble.value).toBe('It was decided. Somebody decided again since.')
    expect(newest.value?.words).toBe('It was decided.')
    offerUndo('another', vi.fn())
    expect(trouble.value).toBe('')
  })
  it('hides no fault', async () => {
    const { newest, undo } = useUndo()
    offerUndo('a decision', () => Promise.reject(new Error('broken')))
    await expect(undo(newest.value)).rejects.toThrow('broken')
  })
})
