import { describe, expect, it } from 'vitest'
import { distinctStops, sentences, stopWords } from './stops'

const stops = [
  { code: 'no-opening', because: ['loss.event=dropped'], say: 'Do not open it.' },
  { code: 'no-power', because: ['symptom.noise=clicking'], say: 'Leave it unplugged.' },
  { code: 'no-opening', because: ['symptom.noise=clicking'], say: 'Do not open it.' },
]

describe('stop rules', () => {
  it('stand once each, with every fact that asks for them, what matters most first', () => {
    expect(distinctStops(stops)).toEqual([
      { code: 'no-power', because: ['symptom.noise=clicking'], say: 'Leave it unplugged.' },
      { code: 'no-opening', because: ['loss.event=dropped', 'symptom.noise=clicking'], say: 'Do not open it.' },
    ])
  })
  it('are said once', () => {
    expect(sentences(stops)).toEqual(['Leave it unplugged.', 'Do not open it.'])
  })
  it('have words even when the protocol knows a newer one', () => {
    expect(stopWords('no-power')).toBe('Do not power this device again')
    expect(stopWords('no-shouting')).toBe('no shouting')
  })
})
