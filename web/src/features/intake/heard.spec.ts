import { describe, expect, it } from 'vitest'
import type { Heard } from '@/api/types'
import { emptyForm } from '@/features/cases'
import { applyHeard, byHand, itemsOf, nothingHeard, pieces, refuse, settleHeard } from './heard'

const many = (code: string) => code === 'loss.event'
const LINE = 'fell, clicks, 2 TB hdd, lab notes'
const HEARD: Heard = {
  facts: [
    { code: 'loss.event', value: 'dropped', from: 0, to: 4, words: 'fell' },
    { code: 'symptom.noise', value: 'clicking', from: 6, to: 12, words: 'clicks' },
    { code: 'medium.type', value: 'hdd', from: 19, to: 22, words: 'hdd' },
  ],
  capacity: '2 TB',
  deadline: { day: '2026-11-27', from: 0, to: 0, words: '' },
  others: [],
  takenBack: [],
  wanted: [
    {
      line: { words: 'lab notes', kinds: ['document'], pattern: '', hopedFor: 0, minBytes: 0, mustHave: true },
      from: 24,
      to: 33,
    },
  ],
}
const NOTHING: Heard = { facts: [], wanted: [], others: [], takenBack: [] }

describe('what is heard', () => {
  it('comes into the form, each thing where it belongs', () => {
    const { form, state } = applyHeard(emptyForm(), nothingHeard(), HEARD, LINE, many)
    expect(form.facts.map((f) => `${f.code}=${f.value}`)).toEqual(['loss.event=dropped', 'symptom.noise=clicking'])
    expect(form.devices[0]).toMatchObject({ type: 'hdd', capacity: '2 TB' })
    expect(form.deadline).toBe('2026-11-27')
    expect(form.wanted.map((w) => w.words)).toEqual(['lab notes'])
    expect(state.taken).toHaveLength(6)
  })
  it('goes again when the words no longer say it, and nothing else does', () => {
    const first = applyHeard(emptyForm(), nothingHeard(), HEARD, LINE, many)
    first.form.facts.push({ code: 'worth', value: 'important', source: 'told' })
    const { form, state } = applyHeard(first.form, first.state, NOTHING, '', many)
    expect(form.facts.map((f) => f.code)).toEqual(['worth'])
    expect(form.devices[0]).toMatchObject({ type: '', capacity: '' })
    expect(form.deadline).toBeUndefined()
    expect(form.wanted).toEqual([])
    expect(state.taken).toEqual([])
  })
  it('does not override what was entered by hand', () => {
    const entered = emptyForm()
    entered.facts.push({ code: 'symptom.noise', value: 'beeping', source: 'told' })
    entered.devices[0]!.type = 'ssd'
    const { form, state } = applyHeard(entered, nothingHeard(), HEARD, LINE, many)
    expect(form.facts).toContainEqual({ code: 'symptom.noise', value: 'beeping', source: 'told' })
    expect(form.facts.filter((f) => f.code === 'symptom.noise')).toHaveLength(1)
    expect(form.devices[0]?.type).toBe('ssd')
    expect(state.taken).not.toContain('fact symptom.noise=clicking')
    expect(applyHeard(form, state, NOTHING, '', many).form.devices[0]?.type).toBe('ssd')
  })
  it('is not brought again once it was taken away', () => {
    const first = applyHeard(emptyForm(), nothingHeard(), HEARD, LINE, many)
    const second = refuse(first.form, first.state, 'fact symptom.noise=clicking')
    expect(second.form.facts.map((f) => f.code)).toEqual(['loss.event'])
    const third = applyHeard(second.form, second.state, HEARD, LINE, many)
    expect(third.form.facts.map((f) => f.code)).toEqual(['loss.event'])
  })
  it('yields to a choice made by hand', () => {
    const first = applyHeard(emptyForm(), nothingHeard(), HEARD, LINE, many)
    expect(byHand(first.state, 'symptom.noise', 'clicking', false).refused).toEqual(['fact symptom.noise=clicking'])
    expect(byHand(first.state, 'worth', 'important', true).refused).toEqual([])
  })
  it('of a case that was logged before is not brought again', () => {
    const logged = emptyForm()
    logged.facts.push({ code: 'loss.event', value: 'dropped', source: 'told' })
    const state = settleHeard(logged, HEARD, LINE)
    expect(state.taken).toEqual(['fact loss.event=dropped'])
    const { form } = applyHeard(logged, state, HEARD, LINE, many)
    expect(form).toEqual(logged)
    expect(applyHeard(form, state, NOTHING, '', many).form.facts).toEqual([])
  })
  it('tells who calls, and of a second device', () => {
    const line = 'caller Mira Holm 0148 33 21, a disk and a card'
    const heard: Heard = {
      facts: [],
      wanted: [],
      caller: { name: 'Mira Holm', phone: '0148 33 21', email: '' },
      takenBack: [],
      others: [{ type: 'memory-card', words: 'card', from: 42, to: 46 }],
    }
    const { form, state } = applyHeard(emptyForm(), nothingHeard(), heard, line, many)
    expect(form.contactPerson).toBe('Mira Holm')
    expect(form.customer.ways.find((w) => w.kind === 'phone')?.value).toBe('0148 33 21')
    expect(form.devices.map((d) => d.type)).toEqual(['', 'memory-card'])
    const gone = applyHeard(form, state, NOTHING, '', many).form
    expect(gone).toEqual(emptyForm())
    const known = emptyForm()
    known.contactPerson = 'Hilda Crane'
    expect(applyHeard(known, nothingHeard(), heard, line, many).form.contactPerson).toBe('Hilda Crane')
  })
  it('is drawn where it stands', () => {
    const items = itemsOf(HEARD, LINE).filter((i) => !i.key.startsWith('deadline'))
    expect(
      pieces(LINE, items)
        .filter((p) => p.key)
        .map((p) => p.text),
    ).toEqual(['fell', 'clicks', '2 TB', 'hdd', 'lab notes'])
    expect(
      pieces(LINE, items)
        .map((p) => p.text)
        .join(''),
    ).toBe(LINE)
    expect(pieces('plain', [])).toEqual([{ text: 'plain' }])
    const gone = { from: 0, to: 3, words: 'wet', by: 5 }
    expect(pieces('wet, dropped', [], [gone])).toEqual([{ text: 'wet', gone: true }, { text: ', dropped' }])
  })
  it('says what something was said instead of', () => {
    const facts = [{ code: 'loss.event', value: 'dropped', from: 5, to: 12, words: 'dropped' }]
    const heard = { ...NOTHING, facts, takenBack: [{ from: 0, to: 3, words: 'wet', by: 5 }] }
    expect(itemsOf(heard, 'wet, dropped')[0]).toMatchObject({ words: 'dropped', instead: 'wet' })
  })
})
