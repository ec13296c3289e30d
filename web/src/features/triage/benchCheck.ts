import type { Docket } from '@/api/types'

/** An engineer's short form; its answers are observed facts. */
export const BENCH_ROWS = [
  { code: 'bench.detected', label: 'Detected', ask: 'Does the station see it?' },
  { code: 'bench.identity', label: 'Identity', ask: 'Are serial and model the case’s?' },
  { code: 'bench.capacity', label: 'Capacity', ask: 'Does it report the capacity that it should?' },
  { code: 'bench.read', label: 'First reads', ask: 'How do the first reads go?' },
  { code: 'bench.noise', label: 'Noise', ask: 'What does it sound like?' },
  { code: 'bench.health', label: 'Health', ask: 'What do its health readings say?' },
  { code: 'bench.filesystem', label: 'File system', ask: 'What is its file system like?' },
] as const

export type BenchAnswers = Record<string, { value: string; measured: boolean }>

/** What was observed before, to start from. */
export function startOf(facts: Docket['facts']): BenchAnswers {
  return Object.fromEntries(
    facts
      .filter((f) => f.source === 'observed' && f.code.startsWith('bench.'))
      .map((f) => [f.code, { value: f.value, measured: f.measured }]),
  )
}

export function answersOf(answers: BenchAnswers): { code: string; value: string; measured: boolean }[] {
  return BENCH_ROWS.flatMap((r) => (answers[r.code] ? [{ code: r.code, ...answers[r.code]! }] : []))
}
