import type { CaseForm, Docket, FactForm } from '@/api/types'

/** The intake form: what a coordinator enters, and how it comes from and goes to the server. */

/** A row of choices: what callers say most often stands first, the rest is one key away. */
export interface FormRow {
  code: string
  label: string
  common: readonly string[]
}

export const ROWS: readonly FormRow[] = [
  { code: 'loss.event', label: 'Happened', common: ['deleted-directly', 'formatted', 'dropped', 'liquid', 'power-cut', 'none-known'] },
  { code: 'symptom.appears', label: 'Shows', common: ['normal', 'files-missing', 'asks-to-format', 'read-errors', 'not-detected'] },
  { code: 'symptom.noise', label: 'Noise', common: ['none', 'clicking', 'scratching', 'beeping', 'not-heard'] },
  { code: 'symptom.speed', label: 'Speed', common: ['normal', 'slow', 'very-slow'] },
  { code: 'since.tried', label: 'Tried', common: ['nothing', 'power-cycled', 'repair-tool', 'rescue-program'] },
  { code: 'since.use', label: 'Used since', common: ['none', 'little', 'heavy'] },
  { code: 'copy.backup', label: 'Backup', common: ['current', 'older', 'none'] },
  { code: 'copy.trash', label: 'In the trash', common: ['yes', 'no'] },
  { code: 'worth', label: 'Worth', common: ['irreplaceable', 'important', 'replaceable'] },
]

/** What a row shows: its common values and whatever else is chosen; all of them when it is opened. */
export function shownValues(values: readonly string[], common: readonly string[], chosen: (value: string) => boolean, open: boolean): string[] {
  const all = [...values, 'unknown']
  return open || !common.length ? all : all.filter((v) => common.includes(v) || chosen(v))
}

export function emptyForm(): CaseForm {
  return {
    customer: { name: '', contactPerson: '', phone: '', email: '' },
    device: { type: '', make: '', model: '', serial: '', capacity: '' },
    story: '',
    facts: [],
    wanted: [],
  }
}

/** Bytes as somebody would write them, without losing one. */
export function capacityText(bytes: number): string {
  if (bytes <= 0) return ''
  const units: [string, number][] = [['TB', 1e12], ['TiB', 2 ** 40], ['GB', 1e9], ['GiB', 2 ** 30], ['MB', 1e6], ['MiB', 2 ** 20]]
  for (const [unit, worth] of units) {
    const value = bytes / worth
    if (value >= 1 && Number.isInteger(value * 10)) return `${value} ${unit}`
  }
  return `${bytes} bytes`
}

/** A case as it stands, ready to be edited. */
export function formOf(docket: Docket): CaseForm {
  return {
    customer: { ...docket.customer },
    device: { ...docket.device, capacity: capacityText(docket.device.capacity) },
    story: docket.story,
    facts: docket.facts.map(({ code, value, source }) => ({ code, value, source })),
    wanted: docket.wanted.map(({ words, kinds, pattern, hopedFor, mustHave }) => ({ words, kinds: [...kinds], pattern, hopedFor, mustHave })),
    version: docket.version,
  }
}

export function hasFact(facts: readonly FactForm[], code: string, value: string): boolean {
  return facts.some((f) => f.code === code && f.value === value && f.source === 'told')
}

/** Answers a question, or takes the answer back. A code that holds one value loses its old one. */
export function toggleFact(facts: readonly FactForm[], code: string, value: string, many: boolean): FactForm[] {
  if (hasFact(facts, code, value)) return facts.filter((f) => !(f.code === code && f.value === value && f.source === 'told'))
  const others = many && value !== 'unknown'
    ? facts.filter((f) => !(f.code === code && f.value === 'unknown' && f.source === 'told'))
    : facts.filter((f) => !(f.code === code && f.source === 'told'))
  return [...others, { code, value, source: 'told' }]
}

/** The facts that triage ranks: those entered, and the device's type. */
export function factsForRanking(form: CaseForm): FactForm[] {
  const known = form.facts.some((f) => f.code === 'medium.type')
  return form.device.type && !known ? [...form.facts, { code: 'medium.type', value: form.device.type, source: 'told' }] : form.facts
}

/** What differs between two forms, in words; for telling somebody what another person changed. */
export function differences(mine: CaseForm, theirs: CaseForm): string[] {
  const found: string[] = []
  for (const key of ['name', 'contactPerson', 'phone', 'email'] as const) {
    if (mine.customer[key] !== theirs.customer[key]) found.push(`${key === 'contactPerson' ? 'contact' : key}: ${theirs.customer[key] || 'empty'}`)
  }
  for (const key of ['type', 'make', 'model', 'serial', 'capacity'] as const) {
    if (mine.device[key] !== theirs.device[key]) found.push(`${key}: ${theirs.device[key] || 'empty'}`)
  }
  if (mine.story !== theirs.story) found.push('the story')
  const facts = (f: CaseForm) => f.facts.map((x) => `${x.code}=${x.value}`).sort().join(' ')
  if (facts(mine) !== facts(theirs)) found.push('the facts')
  if (JSON.stringify(mine.wanted) !== JSON.stringify(theirs.wanted)) found.push('the wanted list')
  return found
}
