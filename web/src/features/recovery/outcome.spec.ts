import { describe, expect, it } from 'vitest'
import type { RecoveredFile, RecoveryRun } from '@/api/types'
import { outcomeWords, runWords } from './outcome'

const file = (path: string, outcome: string, prognosis = 'whole') =>
  ({ path, name: path, outcome, prognosis }) as RecoveredFile

describe('recovered files', () => {
  it('stay doubtful however well they were written', () => {
    expect(outcomeWords(file('a', 'whole', 'doubtful'))).toBe('doubtful')
    expect(outcomeWords(file('a', 'gapped', 'doubtful'))).toBe('with gaps')
  })
})

describe('a run', () => {
  it('says what stands when it stopped', () => {
    expect(runWords({ state: 'paused', trouble: 'The destination is full.' } as RecoveryRun)).toBe(
      'The destination is full.',
    )
    expect(runWords({ state: 'failed' } as RecoveryRun)).toContain('What was written stands')
  })
})
