import { describe, expect, it } from 'vitest'
import { around, FIRST, magnified, moved } from './lens'
import { passesOf, profileFor } from './profiles'

describe('the lens', () => {
  it('never leaves the device', () => {
    expect(moved(FIRST, -1)).toEqual(FIRST)
    const end = around(FIRST, 1)
    expect(end.to).toBe(1)
    expect(moved(end, 1)).toEqual(end)
  })
  it('magnifies around its middle', () => {
    const near = magnified({ from: 0.4, to: 0.5 }, true)
    expect(near.from).toBeCloseTo(0.425)
    expect(near.to).toBeCloseTo(0.475)
  })
  it('stops at its limits', () => {
    let s = FIRST
    for (let i = 0; i < 40; i++) s = magnified(s, true)
    expect(s.to - s.from).toBeCloseTo(1 / 4096)
    for (let i = 0; i < 40; i++) s = magnified(s, false)
    expect(s.to - s.from).toBeCloseTo(1 / 5)
  })
})

describe('passes', () => {
  it('are done, at hand or to come', () => {
    expect(passesOf('back-sweep', 'running').map((p) => p.state)).toEqual(['done', 'now', 'next', 'next'])
    expect(passesOf('sweep', 'done').every((p) => p.state === 'done')).toBe(true)
  })
})

describe('the care profile', () => {
  it('follows the path until a person says otherwise', () => {
    expect(profileFor('careful-imaging')).toBe('failing')
    expect(profileFor(undefined)).toBe('healthy')
  })
})
