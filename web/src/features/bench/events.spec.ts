import { describe, expect, it } from 'vitest'
import type { ImagingEvent } from '@/api/types'
import { faultsOf, restsOf } from './events'

const at = (minute: number): string => `2026-11-03T09:${String(minute).padStart(2, '0')}:00Z`
const event = (minute: number, kind: string): ImagingEvent => ({ at: at(minute), kind }) as ImagingEvent
const ms = (minute: number): number => Date.parse(at(minute))

describe('when a session made no request', () => {
  it('is from each rest to the work that follows', () => {
    const events = [event(1, 'began'), event(5, 'rest'), event(8, 'work'), event(20, 'paused'), event(30, 'began')]
    expect(restsOf(events, ms(59))).toEqual([
      { from: ms(5), to: ms(8) },
      { from: ms(20), to: ms(30) },
    ])
  })
  it('does not depend on the order in which events come in', () => {
    expect(restsOf([event(8, 'work'), event(5, 'rest'), event(1, 'began')], ms(59))).toEqual([
      { from: ms(5), to: ms(8) },
    ])
  })
  it('is one rest when it vanished while it rested', () => {
    expect(restsOf([event(5, 'rest'), event(6, 'vanished'), event(9, 'back')], ms(59))).toEqual([
      { from: ms(5), to: ms(9) },
    ])
  })
  it('lasts until now where nothing followed', () => {
    expect(restsOf([event(1, 'began'), event(5, 'full')], ms(40))).toEqual([{ from: ms(5), to: ms(40) }])
  })
  it('leaves faults to themselves', () => {
    const events = [event(1, 'began'), event(2, 'fault'), event(3, 'fault'), event(4, 'rest')]
    expect(faultsOf(events)).toHaveLength(2)
    expect(restsOf(events, ms(6))).toEqual([{ from: ms(4), to: ms(6) }])
  })
})
