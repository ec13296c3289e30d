import type { Vocabulary } from '@/api/types'
import { FREE_ROWS, ROWS, WORTH_ROWS, type FormRow } from '@/features/cases'

type Fact = Vocabulary['facts'][number]

/** A row of the form with what can be answered, the key that leads to it, and the words above it. */
export interface ShownRow extends FormRow {
  fact: Fact | undefined
  number: number | undefined
  heading: string | undefined
}

const FIRST_KEY = 2
const KEYS = 8
const SHOWN: readonly FormRow[] = [...ROWS, ...FREE_ROWS, ...WORTH_ROWS]

/** What else can be said: not by number, not what only the bench sees, not what stands elsewhere on the form. */
function others(vocabulary: Vocabulary | undefined): FormRow[] {
  return (vocabulary?.facts ?? [])
    .filter(
      (f) =>
        !f.number && !f.code.startsWith('bench.') && f.code !== 'medium.type' && !SHOWN.some((r) => r.code === f.code),
    )
    .map((f) => ({ code: f.code, label: f.code.split('.').at(-1) ?? f.code, common: [] }))
}

/** @param more whether what is seldom said is shown as well */
export function rowsOf(vocabulary: Vocabulary | undefined, more: boolean): ShownRow[] {
  return [...SHOWN, ...(more ? others(vocabulary) : [])].map((row, i) => ({
    ...row,
    fact: vocabulary?.facts.find((f) => f.code === row.code),
    number: i < KEYS ? i + FIRST_KEY : undefined,
    heading: row.code === 'copy.trash' ? 'Costs nothing: ask first' : undefined,
  }))
}
