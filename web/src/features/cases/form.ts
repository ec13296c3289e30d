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
    // What was said of a device that was taken off goes with it.
    facts: docket.facts
      .filter((f) => f.device === undefined || positionOf(docket, f.device) > 0)
      .map(({ code, value, source, device }) =>
        device === undefined ? { code, value, source } : { code, value, source, device: positionOf(docket, device) },
      ),
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

/** @param device that it is said of, counted from 1; undefined for all of them */
export function hasFact(facts: readonly FactForm[], code: string, value: string, device?: number): boolean {
  return facts.some((f) => f.code === code && f.value === value && f.source === 'told' && f.device === device)
}

/**
 * Answers a question, or takes the answer back. A code that holds one value loses its old one; what is said of another
 * device, or of all, stays as it is.
 */
export function toggleFact(
  facts: readonly FactForm[],
  code: string,
  value: string,
  many: boolean,
  device?: number,
): FactForm[] {
  const said = (f: FactForm) => f.code === code && f.source === 'told' && f.device === device
  if (hasFact(facts, code, value, device)) return facts.filter((f) => !(said(f) && f.value === value))
  const others =
    many && value !== 'unknown'
      ? facts.filter((f) => !(said(f) && f.value === 'unknown'))
      : facts.filter((f) => !said(f))
  return [...others, device === undefined ? { code, value, source: 'told' } : { code, value, source: 'told', device }]
}

/** Facts when a device leaves the form: its own go with it, those of the devices after it move up. */
export function factsWithout(facts: readonly FactForm[], device: number): FactForm[] {
  return facts
    .filter((f) => f.device !== device)
    .map((f) => (f.device !== undefined && f.device > device ? { ...f, device: f.device - 1 } : f))
}

/** The devices in a new order or number: facts stay with the device that they are said of. */
export function factsWithDevices(
  facts: readonly FactForm[],
  before: readonly DeviceForm[],
  after: readonly DeviceForm[],
): FactForm[] {
  if (after.length >= before.length) return [...facts]
  const gone = before.findIndex((d, i) => after[i] !== d)
  return factsWithout(facts, gone + 1)
}

/** Where a device stands among those of its case, from 1; 0 for one that was taken off. */
function positionOf(docket: Pick<Docket, 'devices'>, id: number): number {
  return docket.devices.findIndex((d) => d.id === id) + 1
}

/** Of what counts for a device: what is said of itself stands before what the same kind of source says of all. */
function counting<F extends { code: string; source: string }>(
  facts: readonly F[],
  isOwn: (fact: F) => boolean,
  isOfAll: (fact: F) => boolean,
): F[] {
  return facts.filter(
    (f) => isOwn(f) || (isOfAll(f) && !facts.some((o) => isOwn(o) && o.code === f.code && o.source === f.source)),
  )
}

/** The facts of a case that count for one of its devices. */
export function ownFacts(docket: Docket, device: number | undefined): Docket['facts'] {
  return counting(
    docket.facts,
    (f) => f.device !== undefined && f.device === device,
    (f) => f.device === undefined,
  )
}

/** How many facts count for a device. */
export const countingFor = (docket: Docket, device: number | undefined): number => ownFacts(docket, device).length

/**
 * The facts that triage ranks: those entered, and the device's type.
 *
 * @param device that is ranked, counted from 1
 */
export function factsForRanking(form: CaseForm, device = 1): FactForm[] {
  const type = form.devices[device - 1]?.type
  const facts = counting(
    form.facts,
    (f) => f.device === device,
    (f) => f.device === undefined && (device === 1 || f.code !== 'medium.type'),
  ).map(({ code, value, source }): FactForm => ({ code, value, source }))
  return type && !facts.some((f) => f.code === 'medium.type')
    ? [...facts, { code: 'medium.type', value: type, source: 'told' }]
    : facts
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
      .map((x) => `${x.code}=${x.value}${x.device ? ` of ${x.device}` : ''}`)
      .sort()
      .join(' ')
  if (facts(mine) !== facts(theirs)) found.push('the facts')
  if (JSON.stringify(mine.wanted) !== JSON.stringify(theirs.wanted)) found.push('the wanted list')
  if ((mine.deadline ?? '') !== (theirs.deadline ?? '')) found.push(`needed by: ${theirs.deadline || 'no day'}`)
  if (mine.opensOn !== theirs.opensOn) found.push(`opens files on: ${systemName(theirs.opensOn)}`)
  if (JSON.stringify(mine.consent) !== JSON.stringify(theirs.consent)) found.push('what they agree to')
  return found
}
