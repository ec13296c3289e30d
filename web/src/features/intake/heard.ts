import type { CaseForm, CustomerWay, FactForm, Heard, WantedForm } from '@/api/types'
import { emptyDevice } from '@/features/cases'

/** How what is heard in the free line comes into the form, and goes out of it again when the words change. */

/** One thing that was heard, and where. */
export interface HeardItem {
  /** The same thing has the same key, wherever it stands. */
  key: string
  /** As it is shown: `clicks`. */
  label: string
  words: string
  from: number
  to: number
  /** What was said before and is taken back by it. */
  instead?: string
}

/** A stretch of words that count no longer. */
export type TakenBack = Heard['takenBack'][number]

export interface HeardState {
  /** Keys of what the line brought into the form. */
  taken: string[]
  /** Keys of what somebody took away; the line does not bring them again. */
  refused: string[]
}

export function nothingHeard(): HeardState {
  return { taken: [], refused: [] }
}

/** How a fact is said; its code where nobody tells. */
export type Say = (code: string, value: string) => string
const BY_CODE: Say = (code, value) => `${code.split('.').at(-1) ?? code}: ${value}`

const CALLER = ['name', 'phone', 'email'] as const

/** Everything that was heard, in the order of the line. */
export function itemsOf(heard: Heard, line: string, say: Say = BY_CODE): HeardItem[] {
  const items: HeardItem[] = heard.facts.map((f) => ({
    key: `fact ${f.code}=${f.value}`,
    label: say(f.code, f.value),
    words: f.words,
    from: f.from,
    to: f.to,
  }))
  for (const part of CALLER) {
    const told = heard.caller?.[part]
    if (told)
      items.push({
        key: `caller ${part}=${told}`,
        label: part === 'name' ? `caller ${told}` : told,
        words: told,
        from: line.indexOf(told),
        to: line.indexOf(told) + told.length,
      })
  }
  heard.others.forEach((d) =>
    items.push({
      key: `device ${d.type}`,
      label: `another device: ${say('medium.type', d.type)}`,
      words: d.words,
      from: d.from,
      to: d.to,
    }),
  )
  if (heard.capacity) {
    const at = line.indexOf(heard.capacity)
    items.push({
      key: `capacity ${heard.capacity}`,
      label: `capacity ${heard.capacity}`,
      words: heard.capacity,
      from: at,
      to: at + heard.capacity.length,
    })
  }
  if (heard.deadline)
    items.push({
      key: `deadline ${heard.deadline.day}`,
      label: `needed by ${heard.deadline.day}`,
      words: heard.deadline.words,
      from: heard.deadline.from,
      to: heard.deadline.to,
    })
  heard.wanted.forEach((w) =>
    items.push({ key: `wanted ${w.line.words}`, label: 'wanted line', words: w.line.words, from: w.from, to: w.to }),
  )
  const instead = (i: HeardItem) => heard.takenBack.find((t) => t.by >= i.from && t.by < i.to)?.words
  return items.map((i) => ({ ...i, instead: instead(i) })).sort((a, b) => a.from - b.from)
}

/** Brings what is new into the form and takes out what the words no longer say. What was entered by hand stands. */
export function applyHeard(
  form: CaseForm,
  state: HeardState,
  heard: Heard,
  line: string,
  isMany: (code: string) => boolean,
): { form: CaseForm; state: HeardState } {
  const keys = itemsOf(heard, line)
    .map((i) => i.key)
    .filter((k) => !state.refused.includes(k))
  let next = form
  for (const key of state.taken) if (!keys.includes(key)) next = withoutItem(next, key)
  const taken: string[] = []
  for (const key of keys) {
    const before = state.taken.includes(key)
    const brought: CaseForm = before ? next : withItem(next, key, heard, isMany)
    if (before || brought !== next) taken.push(key)
    next = brought
  }
  return { form: next, state: { taken, refused: state.refused } }
}

/**
 * How the line of a case that was logged before is taken up: what stands stays, what somebody took out is not brought
 * again.
 */
export function settleHeard(form: CaseForm, heard: Heard, line: string): HeardState {
  const keys = itemsOf(heard, line).map((i) => i.key)
  return { taken: keys.filter((k) => stands(form, k)), refused: keys.filter((k) => !stands(form, k)) }
}

function stands(form: CaseForm, key: string): boolean {
  const [kind, rest] = split(key)
  const [code = '', value = ''] = rest.split('=')
  switch (kind) {
    case 'fact':
      return code === 'medium.type'
        ? form.devices[0]?.type === value
        : form.facts.some((f) => f.code === code && f.value === value && f.source === 'told')
    case 'capacity':
      return form.devices[0]?.capacity === rest
    case 'deadline':
      return form.deadline === rest
    case 'caller':
      return callerOf(form, code) === rest.slice(code.length + 1)
    case 'device':
      return form.devices.slice(1).some((d) => d.type === rest)
    default:
      return form.wanted.some((w) => w.words === rest)
  }
}

/** Takes one thing away for good. */
export function refuse(form: CaseForm, state: HeardState, key: string): { form: CaseForm; state: HeardState } {
  return {
    form: withoutItem(form, key),
    state: { taken: state.taken.filter((k) => k !== key), refused: [...state.refused.filter((k) => k !== key), key] },
  }
}

/** Somebody chose or unchose a fact by hand: the line is no longer asked about it. */
export function byHand(state: HeardState, code: string, value: string, chosen: boolean): HeardState {
  const key = `fact ${code}=${value}`
  const taken = state.taken.filter((k) => k !== key)
  return { taken, refused: chosen || !state.taken.includes(key) ? state.refused : [...state.refused, key] }
}

function withItem(form: CaseForm, key: string, heard: Heard, isMany: (code: string) => boolean): CaseForm {
  const [kind, rest] = split(key)
  switch (kind) {
    case 'fact': {
      const [code = '', value = ''] = rest.split('=')
      if (code === 'medium.type') return form.devices[0]?.type ? form : withLead(form, { type: value })
      if (form.facts.some((f) => f.code === code && (f.value === value || !isMany(code)) && f.source === 'told'))
        return form
      return { ...form, facts: [...form.facts, { code, value, source: 'told' } satisfies FactForm] }
    }
    case 'capacity':
      return form.devices[0]?.capacity ? form : withLead(form, { capacity: rest })
    case 'deadline':
      return form.deadline ? form : { ...form, deadline: rest }
    case 'caller': {
      const part = rest.slice(0, rest.indexOf('='))
      return callerOf(form, part) ? form : withCaller(form, part, rest.slice(part.length + 1))
    }
    case 'device':
      return form.devices.some((d) => d.type === rest)
        ? form
        : { ...form, devices: [...form.devices, { ...emptyDevice(), type: rest }] }
    default: {
      const line = heard.wanted.find((w) => w.line.words === rest)?.line
      return !line || form.wanted.some((w) => w.words === rest)
        ? form
        : { ...form, wanted: [...form.wanted, { ...line } satisfies WantedForm] }
    }
  }
}

function withoutItem(form: CaseForm, key: string): CaseForm {
  const [kind, rest] = split(key)
  switch (kind) {
    case 'fact': {
      const [code = '', value = ''] = rest.split('=')
      if (code === 'medium.type') return form.devices[0]?.type === value ? withLead(form, { type: '' }) : form
      return {
        ...form,
        facts: form.facts.filter((f) => !(f.code === code && f.value === value && f.source === 'told')),
      }
    }
    case 'capacity':
      return form.devices[0]?.capacity === rest ? withLead(form, { capacity: '' }) : form
    case 'deadline':
      return form.deadline === rest ? { ...form, deadline: undefined } : form
    case 'caller': {
      const part = rest.slice(0, rest.indexOf('='))
      return callerOf(form, part) === rest.slice(part.length + 1) ? withCaller(form, part, '') : form
    }
    case 'device':
      return { ...form, devices: form.devices.filter((d, i) => i === 0 || d.type !== rest || isFilled(d)) }
    default:
      return { ...form, wanted: form.wanted.filter((w) => w.words !== rest) }
  }
}

/** What the form says of the caller: their name, or the first way of a kind. */
function callerOf(form: CaseForm, part: string): string {
  return part === 'name' ? form.contactPerson : (form.customer.ways.find((w) => w.kind === part)?.value ?? '')
}

function isWay(part: string): part is CustomerWay['kind'] {
  return part === 'phone' || part === 'email' || part === 'post'
}

function withCaller(form: CaseForm, part: string, told: string): CaseForm {
  if (!isWay(part)) return { ...form, contactPerson: told }
  const at = form.customer.ways.findIndex((w) => w.kind === part)
  const ways =
    at < 0
      ? [...form.customer.ways, { kind: part, value: told }]
      : form.customer.ways.map((w, i) => (i === at ? { ...w, value: told } : w))
  return { ...form, customer: { ...form.customer, ways } }
}

/** Somebody entered more of a device than its type. */
function isFilled(d: CaseForm['devices'][number]): boolean {
  return [d.make, d.model, d.serial, d.capacity, d.accessories, d.condition].some((v) => v.trim() !== '')
}

function split(key: string): [string, string] {
  const at = key.indexOf(' ')
  return [key.slice(0, at), key.slice(at + 1)]
}

function withLead(form: CaseForm, part: Partial<CaseForm['devices'][number]>): CaseForm {
  return { ...form, devices: form.devices.map((d, i) => (i === 0 ? { ...d, ...part } : d)) }
}

/** A piece of the line; one with a key was heard, one that is gone was taken back. */
export interface Piece {
  text: string
  key?: string
  gone?: boolean
}

/** The line in pieces, for drawing it under the field. */
export function pieces(line: string, items: readonly HeardItem[], takenBack: readonly TakenBack[] = []): Piece[] {
  const found: Piece[] = []
  let at = 0
  const marks = [
    ...items.map((i) => ({ from: i.from, to: i.to, mark: { key: i.key } })),
    ...takenBack.map((t) => ({ from: t.from, to: t.to, mark: { gone: true } })),
  ]
  for (const item of marks.sort((a, b) => a.from - b.from)) {
    if (item.from < at || item.from < 0) continue
    if (item.from > at) found.push({ text: line.slice(at, item.from) })
    found.push({ text: line.slice(item.from, item.to), ...item.mark })
    at = item.to
  }
  if (at < line.length) found.push({ text: line.slice(at) })
  return found
}
