import { describe, expect, it } from 'vitest'
import type { Vocabulary } from '@/api/types'
import { sayFact, sayStated } from './say'

const vocabulary = {
  facts: [
    {
      code: 'symptom.noise',
      label: 'noise',
      many: false,
      number: false,
      values: ['clicking'],
      words: { clicking: 'clicks' },
    },
    { code: 'since.hours', label: 'time since the loss', many: false, number: true, values: [], words: {} },
  ],
} as unknown as Vocabulary

describe('facts', () => {
  it('are said in words', () => {
    expect(sayFact(vocabulary, 'symptom.noise', 'clicking')).toBe('clicks')
    expect(sayFact(vocabulary, 'symptom.noise', 'unknown')).toBe('noise: not known')
    expect(sayStated(vocabulary, 'since.hours=30')).toBe('30 hours ago')
    expect(sayStated(vocabulary, 'since.hours=100')).toBe('4 days ago')
  })
  it('of an older protocol are said by their codes', () => {
    expect(sayStated(undefined, 'copy.backup=none')).toBe('backup: none')
    expect(sayStated(vocabulary, 'no fact')).toBe('no fact')
  })
})
