import type { CaseForm, CustomerForm, CustomerWay, DeviceForm, Docket, FactForm } from '@/api/types'
import { systemName } from './systems'

/** The intake form: what a coordinator enters, and how it comes from and goes to the server. */

/** A row of choices: what callers say most often stands first, the rest is one key away. */
export interface FormRow {
  code: string
  label: string
  common: readonly string[]
}

/** What happened and what is seen. */
export const ROWS: readonly FormRow[] = [
  {
    code: 'loss.event',
    label: 'Happened',
    common: ['deleted-directly', 'formatted', 'dropped', 'liquid', 'power-cut', 'none-known'],
  },
  {
    code: 'symptom.appears',
    label: 'Shows',
    common: ['normal', 'files-missing', 'asks-to-format', 'read-errors', 'not-detected'],
  },
  { code: 'symptom.noise', label: 'Noise', common: ['none', 'clicking', 'scratching', 'beeping', 'not-heard'] },
  { code: 'symptom.speed', label: 'Speed', common: ['normal', 'slow', 'very-slow'] },
  { code: 'since.tried', label: 'Tried', common: ['nothing', 'power-cycled', 'repair-tool', 'rescue-program'] },
  { code: 'since.use', label: 'Used since', common: ['none', 'little', 'heavy'] },
]

/** What costs nothing is asked before anything else is looked into. */
export const FREE_ROWS: readonly FormRow[] = [
  { code: 'copy.trash', label: 'In the trash', common: [] },
  { code: 'copy.backup', label: 'Backup', common: [] },
  { code: 'copy.cloud', label: 'Cloud, 2nd copy', common: [] },
  { code: 'copy.maker-rescue', label: 'Maker’s rescue', common: [] },
]

export const WORTH_ROWS: readonly FormRow[] = [
  { code: 'worth', label: 'Worth', common: [] },
  { code: 'privacy', label: 'Privacy', common: [] },
]

export function emptyDevice(): DeviceForm {
  return {
    type: '',
    make: '',
    model: '',
    serial: '',
    capacity: '',
    attachedBy: '',
    accessories: '',
    condition: '',
    setName: '',
    entitlement: '',
  }
}

export function emptyForm(): CaseForm {
  return {
    customer: {
      kind: 'organisation',
      name: '',
      preferred: 'phone',
      ways: [
        { kind: 'phone', value: '' },
        { kind: 'email', value: '' },
      ],
    },
    contactPerson: '',
    devices: [emptyDevice()],
    story: '',
    facts: [],
    wanted: [],
    consent: { look: '', told: '', mail: false, termsRead: false },
  }
}

/** As it goes to the server: what was left empty is left out. */
export function toSend(form: CaseForm): CaseForm {
  return {
    ...form,
    customer: { ...form.customer, ways: form.customer.ways.filter((w) => w.value.trim()) },
    devices: form.devices.map((d) => ({
      ...d,
      slot: d.slot || undefined,
      entitledUntil: d.entitledUntil || undefined,
    })),
    wanted: form.wanted
      .filter((w) => w.words.trim())
      .map((w) => ({ ...w, changedFrom: w.changedFrom || undefined, changedTo: w.changedTo || undefined })),
    deadline: form.deadline || undefined,
  }
}

/** Bytes as somebody would write them, without losing one. */
export function capacityText(bytes: number): string {
  if (bytes <= 0) return ''
  const units: [string, number][] = [
    ['TB', 1e12],
    ['TiB', 2 ** 40],
    ['GB', 1e9],
    ['GiB', 2 ** 30],
    ['MB', 1e6],
    ['MiB', 2 ** 20],
  ]
  for (const [unit, worth] of units) {
    const value = bytes / worth
    if (value >= 1 && Number.isInteger(value * 10)) return `${value} ${unit}`
  }
  return `${bytes} bytes`
}

/** A customer who was here before, ready to be edited; a phone and an e-mail field are always there. */
export function knownCustomer(known: {
  id: number
  kind: string
  name: string
  preferred: CustomerForm['preferred']
  ways: CustomerWay[]
}): CustomerForm {
  const ways = known.ways.map((w) => ({ ...w }))
  for (const kind of ['phone', 'email'] as const) if (!ways.some((w) => w.kind === kind)) ways.push({ kind, value: '' })
  return { id: known.id, kind: known.kind, name: known.name, preferred: known.preferred, ways }
}

/** A case as it stands, ready to be edited. */
export function formOf(docket: Docket): CaseForm {
  return {
    customer: knownCustomer(docket.customer),
    contactPerson: docket.contactPerson,
    devices: docket.devices.map(({ position: _, ...d }) => ({ ...d, capacity: capacityText(d.capacity) })),
    story: docket.story,
    facts: docket.facts.map(({ code, value, source }) => ({ code, value, source })),
    wanted: docket.wanted.map((w) => ({
      words: w.words,
      kinds: [...w.kinds],
      pattern: w.pattern,
      hopedFor: w.hopedFor,
      minBytes: w.minBytes,
      changedFrom: w.from,
      changedTo: w.to,
      yearAssumed: w.yearAssumed,
      mustHave: w.mustHave,
    })),
    consent: { ...docket.consent },
    deadline: docket.deadline,
    opensOn: docket.opensOn,
    version: docket.version,
  }
}

export function hasFact(facts: readonly FactForm[], code: string, value: string): boolean {
  return facts.some((f) => f.code === code && f.value === value && f.source === 'told')
}

/** Answers a question, or takes the answer back. A code that holds one value loses its old one. */
export function toggleFact(facts: readonly FactForm[], code: string, value: string, many: boolean): FactForm[] {
  if (hasFact(facts, code, value))
    return facts.filter((f) => !(f.code === code && f.value === value && f.source === 'told'))
  const others =
    many && value !== 'unknown'
      ? facts.filter((f) => !(f.code === code && f.value === 'unknown' && f.source === 'told'))
      : facts.filter((f) => !(f.code === code && f.source === 'told'))
  return [...others, { code, value, source: 'told' }]
}

/** The facts that triage ranks: those entered, and the lead device's type. */
export function factsForRanking(form: CaseForm): FactForm[] {
  const type = form.devices[0]?.type
  const known = form.facts.some((f) => f.code === 'medium.type')
  return type && !known ? [...form.facts, { code: 'medium.type', value: type, source: 'told' }] : form.facts
}

/** What differs between two forms, in words; for telling somebody what another person changed. */
export function differences(mine: CaseForm, theirs: CaseForm): string[] {
  const found: string[] = []
  if (mine.customer.name !== theirs.customer.name) found.push(`name: ${theirs.customer.name || 'empty'}`)
  if (mine.contactPerson !== theirs.contactPerson) found.push(`contact: ${theirs.contactPerson || 'empty'}`)
  const ways = (f: CaseForm, kind: string) =>
    f.customer.ways
      .filter((w) => w.kind === kind && w.value.trim())
      .map((w) => w.value.trim())
      .join(', ')
  for (const kind of ['phone', 'email', 'post']) {
    if (ways(mine, kind) !== ways(theirs, kind)) found.push(`${kind}: ${ways(theirs, kind) || 'empty'}`)
  }
  if (mine.devices.length !== theirs.devices.length) found.push(`${theirs.devices.length} devices`)
  mine.devices.forEach((device, i) => {
    const other = theirs.devices[i]
    if (!other) return
    for (const key of ['type', 'make', 'model', 'serial', 'capacity'] as const) {
      if (device[key] !== other[key]) found.push(`${key}: ${other[key] || 'empty'}`)
    }
  })
  if (mine.story !== theirs.story) found.push('the story')
  const facts = (f: CaseForm) =>
    f.facts
      .map((x) => `${x.code}=${x.value}`)
      .sort()
      .join(' ')
  if (facts(mine) !== facts(theirs)) found.push('the facts')
  if (JSON.stringify(mine.wanted) !== JSON.stringify(theirs.wanted)) found.push('the wanted list')
  if ((mine.deadline ?? '') !== (theirs.deadline ?? '')) found.push(`needed by: ${theirs.deadline || 'no day'}`)
  if (mine.opensOn !== theirs.opensOn) found.push(`opens files on: ${systemName(theirs.opensOn)}`)
  if (JSON.stringify(mine.consent) !== JSON.stringify(theirs.consent)) found.push('what they agree to')
  return found
}
