import { describe, expect, it } from 'vitest'
import type { Docket } from '@/api/types'
import {
  capacityText,
  differences,
  emptyDevice,
  emptyForm,
  factsForRanking,
  factsWithDevices,
  formOf,
  hasFact,
  ownFacts,
  toggleFact,
  toSend,
} from './form'

describe('capacities', () => {
  it('come back as people write them', () => {
    expect(capacityText(2e12)).toBe('2 TB')
    expect(capacityText(500e9)).toBe('500 GB')
    expect(capacityText(33_500_000)).toBe('33.5 MB')
    expect(capacityText(32 * 2 ** 20)).toBe('32 MiB')
  })
  it('lose no byte where no unit fits', () => {
    expect(capacityText(500_107_862_016)).toBe('500107862016 bytes')
    expect(capacityText(0)).toBe('')
  })
})

describe('facts', () => {
  it('replace each other where a code holds one value', () => {
    const once = toggleFact([], 'symptom.noise', 'clicking', false)
    expect(toggleFact(once, 'symptom.noise', 'none', false)).toEqual([
      { code: 'symptom.noise', value: 'none', source: 'told' },
    ])
  })
  it('stand together where it holds several, but not beside unknown', () => {
    const two = toggleFact(toggleFact([], 'loss.event', 'dropped', true), 'loss.event', 'heat', true)
    expect(two.map((f) => f.value)).toEqual(['dropped', 'heat'])
    expect(toggleFact(two, 'loss.event', 'unknown', true).map((f) => f.value)).toEqual(['unknown'])
  })
  it('are taken back by the same key', () => {
    expect(toggleFact(toggleFact([], 'worth', 'important', false), 'worth', 'important', false)).toEqual([])
  })
  it('leave alone what the bench observed', () => {
    const seen = [{ code: 'symptom.noise', value: 'clicking', source: 'observed' as const }]
    expect(toggleFact(seen, 'symptom.noise', 'none', false)).toHaveLength(2)
  })
  it('are of one device, or of all', () => {
    const all = toggleFact([], 'symptom.noise', 'none', false)
    const both = toggleFact(all, 'symptom.noise', 'clicking', false, 2)
    expect(both).toHaveLength(2)
    expect(hasFact(both, 'symptom.noise', 'clicking')).toBe(false)
    expect(hasFact(both, 'symptom.noise', 'clicking', 2)).toBe(true)
    const form = { ...emptyForm(), devices: ['nas', 'hdd'].map((type) => ({ ...emptyDevice(), type })), facts: both }
    const noise = (device?: number) =>
      factsForRanking(form, device)
        .filter((f) => f.code === 'symptom.noise')
        .map((f) => f.value)
    expect(noise()).toEqual(['none'])
    expect(noise(2)).toEqual(['clicking'])
    expect(factsForRanking(form, 2)).toContainEqual({ code: 'medium.type', value: 'hdd', source: 'told' })
  })
  it('go with a device that is taken off the form, and stay with the others', () => {
    const [a, b, c] = ['a', 'b', 'c'].map((serial) => ({ ...emptyDevice(), serial }))
    const facts = [
      { code: 'worth', value: 'important', source: 'told' as const },
      { code: 'symptom.noise', value: 'clicking', source: 'told' as const, device: 2 },
      { code: 'symptom.noise', value: 'none', source: 'told' as const, device: 3 },
    ]
    expect(factsWithDevices(facts, [a!, b!, c!], [a!, c!])).toEqual([facts[0], { ...facts[2], device: 2 }])
    expect(factsWithDevices(facts, [a!, b!], [a!, b!, c!])).toEqual(facts)
  })
  it('of a case come back as those of its devices, by their places', () => {
    const fact = (value: string, device?: number) => ({
      code: 'symptom.noise',
      value,
      source: 'told' as const,
      device,
      who: '',
      at: '',
      measured: false,
    })
    const docket = {
      devices: [{ id: 40 }, { id: 41 }],
      facts: [fact('none'), fact('clicking', 41), fact('beeping', 9)],
    }
    expect(ownFacts(docket as unknown as Docket, 41).map((f) => f.value)).toEqual(['clicking'])
    expect(ownFacts(docket as unknown as Docket, 40).map((f) => f.value)).toEqual(['none'])
  })
  it('include the device type for ranking, once', () => {
    const form = { ...emptyForm(), devices: [{ ...emptyDevice(), type: 'hdd' }] }
    expect(factsForRanking(form)).toEqual([{ code: 'medium.type', value: 'hdd', source: 'told' }])
  })
})

describe('somebody else saved first', () => {
  it('says what they changed', () => {
    const mine = emptyForm()
    const theirs = emptyForm()
    theirs.customer.ways[0]!.value = '0148 1'
    theirs.story = 'wet'
    theirs.devices.push(emptyDevice())
    expect(differences(mine, theirs)).toEqual(['phone: 0148 1', '2 devices', 'the story'])
    expect(differences(mine, emptyForm())).toEqual([])
  })
})

describe('editing a case', () => {
  const device = {
    id: 3,
    type: 'hdd',
    make: 'Halden',
    model: 'Stern',
    serial: 'S',
    attachedBy: 'SATA',
    accessories: '',
    condition: '',
    setName: '',
    entitlement: '',
  }
  const consent = { look: 'names', told: '', mail: true, termsRead: true }
  it('starts from what stands, with its version', () => {
    const docket = {
      customer: {
        id: 9,
        kind: 'organisation',
        name: 'Band',
        preferred: 'phone',
        ways: [{ kind: 'post', value: 'Quay 1' }],
      },
      contactPerson: 'Edwin',
      devices: [{ ...device, position: 1, capacity: 1e12 }],
      story: 's',
      facts: [{ code: 'worth', value: 'important', source: 'told', who: 'Una', at: '' }],
      wanted: [
        {
          id: 4,
          words: 'w',
          kinds: ['image'],
          pattern: '',
          hopedFor: 3,
          minBytes: 0,
          from: '2011-01-01',
          mustHave: true,
        },
      ],
      consent,
      version: 7,
    } as unknown as Docket
    const form = formOf(docket)
    expect(form.customer.ways.map((w) => w.kind)).toEqual(['post', 'phone', 'email'])
    expect(form).toMatchObject({
      customer: { id: 9, name: 'Band' },
      contactPerson: 'Edwin',
      devices: [{ ...device, capacity: '1 TB' }],
      story: 's',
      facts: [{ code: 'worth', value: 'important', source: 'told' }],
      wanted: [{ words: 'w', changedFrom: '2011-01-01' }],
      consent,
      version: 7,
    })
  })
  it('sends no empty way, no empty wanted line and no empty date', () => {
    const form = emptyForm()
    form.customer.ways[0]!.value = '0148'
    form.deadline = ''
    form.wanted.push({ words: ' ', kinds: [], pattern: '', hopedFor: 0, minBytes: 0, mustHave: true })
    const sent = toSend(form)
    expect(sent.customer.ways).toEqual([{ kind: 'phone', value: '0148' }])
    expect(sent.wanted).toEqual([])
    expect(sent.deadline).toBeUndefined()
  })
})
