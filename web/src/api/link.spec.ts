import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { tellAsked, tellLink, tellPart, useLink } from './link'

describe('the link to the server', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => vi.useRealTimers())

  it('says that something runs once a person would wonder, and that it takes long', () => {
    const { busy, slow } = useLink()
    const end = tellAsked(true)
    vi.advanceTimersByTime(200)
    expect(busy.value).toBe(false)
    vi.advanceTimersByTime(300)
    expect([busy.value, slow.value]).toEqual([true, false])
    vi.advanceTimersByTime(6000)
    expect(slow.value).toBe(true)
    end(true)
    vi.advanceTimersByTime(200)
    expect([busy.value, slow.value]).toEqual([false, false])
  })
  it('does not speak of what nobody waits for', () => {
    const { busy } = useLink()
    const end = tellAsked(false)
    vi.advanceTimersByTime(9000)
    expect(busy.value).toBe(false)
    end(true)
  })
  it('is lost from when nothing answered first until something answers', () => {
    const { lostSince } = useLink()
    const first = Date.now()
    tellLink(false)
    vi.advanceTimersByTime(5000)
    tellLink(false)
    expect(lostSince.value).toBe(first)
    tellAsked(true)(false)
    expect(lostSince.value).toBe(first)
    tellAsked(true)(true)
    expect(lostSince.value).toBeUndefined()
  })
  it('names the part that did not come, until one does', () => {
    const { lostPart } = useLink()
    tellPart('/ledger')
    expect(lostPart.value).toBe('/ledger')
    tellPart(undefined)
    expect(lostPart.value).toBeUndefined()
  })
})
