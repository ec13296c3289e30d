import { describe, expect, it } from 'vitest'
import type { DeviceState, Docket } from '@/api/types'
import { apart, calledOf, deviceAt, isBoxOf, pathOf, standWords, stepped, strandsOf, whichOf } from './hand'

const device = (id: number, more: object = {}) =>
  ({ id, position: id, type: 'hdd', make: '', model: '', ...more }) as Docket['devices'][number]
const BOX = [device(1, { type: 'nas' }), device(2, { slot: 1 }), device(3, { slot: 2 })]
const state = (id: number, stage: string, more: object = {}) =>
  ({ id, which: `device ${id}`, stage, own: false, told: 0, ...more }) as DeviceState

describe('the device at hand', () => {
  it('is the one that the address names, else the first', () => {
    expect(deviceAt(BOX, '3')?.id).toBe(3)
    expect(deviceAt(BOX, '77')?.id).toBe(1)
    expect(deviceAt(BOX, undefined)?.id).toBe(1)
    expect(deviceAt([], '1')).toBeUndefined()
  })
  it('is stepped on from, round and round', () => {
    expect(stepped(BOX, BOX[2], 1)?.id).toBe(1)
    expect(stepped(BOX, BOX[0], -1)?.id).toBe(3)
  })
  it('is told by its slot, or by its place', () => {
    expect(BOX.map(whichOf)).toEqual(['device 1', 'slot 1', 'slot 2'])
    expect(whichOf(device(4, { slot: 2, setName: 'hall', amongSets: true }))).toBe('slot 2 of hall')
    expect(calledOf(device(4, { type: 'usb-stick' }))).toBe('usb stick')
  })
  it('goes its own way, or that of its case', () => {
    const docket = { path: 'assemble-first' } as Docket
    expect(pathOf(docket, device(1))).toBe('assemble-first')
    expect(pathOf(docket, device(1, { ownPath: 'hardware-work' }))).toBe('hardware-work')
  })
})

describe('the spine', () => {
  it('splits where devices stand apart, and joins where they stand together', () => {
    expect(strandsOf([state(2, 'triaged'), state(3, 'triaged')], BOX)).toEqual([])
    expect(strandsOf([state(2, 'declined'), state(3, 'triaged')], BOX)).toEqual([])
    expect(strandsOf([state(1, 'received'), state(2, 'triaged'), state(3, 'triaged')], BOX)).toEqual([])
    const more = [...BOX, device(4)]
    const states = [
      state(1, 'triaged'),
      state(2, 'scanning'),
      state(3, 'triaged', { barred: 'x' }),
      state(4, 'triaged'),
    ]
    const strands = strandsOf(states, more)
    expect(strands.map((s) => [s.stage, s.devices.map((d) => d.label)])).toEqual([
      ['triaged', ['2', 'd4']],
      ['scanning', ['1']],
    ])
    expect(strands[0]?.devices.map((d) => d.barred)).toEqual([true, false])
    expect([...apart(strands)]).toEqual(['triaged', 'imaging', 'scanning'])
    expect(apart([]).size).toBe(0)
  })
})

describe('how far a device is', () => {
  it('is said from the records of its own steps, and no further', () => {
    const read = (now: string, share: number) => ({ read: { session: 1, state: now, share, failedBytes: 512 } })
    const found = (now: string) => ({ found: { session: 1, state: now, findings: 1 } })
    const words = (more: object, stage = 'triaged') => standWords(state(1, stage, more))
    expect(words({})).toBe('path not decided')
    expect(words({ path: 'image-then-scan' })).toBe('not attached yet')
    expect(standWords(state(1, 'triaged', { path: 'assemble-first' }), isBoxOf(BOX[0]!, BOX))).toBe(
      'read by its members',
    )
    expect(isBoxOf(BOX[0]!, [BOX[0]!])).toBe(false)
    expect(words({ medium: 'sim/x', path: 'image-then-scan' })).toBe('attached')
    expect(words({ barred: 'It clicks.', medium: 'sim/x' })).toBe('not to be touched')
    expect(words({ partner: 'Holm' })).toBe('with Holm')
    expect(words({}, 'declined')).toBe('declined')
    expect(words(read('running', 0.999))).toBe('99 % read')
    expect(words(read('done', 1))).toBe('read to its end')
    expect(words(read('done', 0.9))).toBe('read but for 512 bytes')
    expect(words(read('paused', 0.5))).toBe('reading paused')
    expect(words({ ...read('done', 1), ...found('running') })).toBe('being scanned')
    expect(words({ ...read('done', 1), ...found('done') })).toBe('1 finding')
  })
})
