import { describe, expect, it } from 'vitest'
import type { CatalogueLine } from '@/api/types'
import { aboutWords, hashWords, provenWords, scoreWords, versionWords } from './about'

describe('what content says of itself', () => {
  it('is one line, the measurable first', () => {
    expect(aboutWords({ width: '640', height: '480', taken: '2026-05-04T09:12:30', device: 'Tern 20' })).toBe(
      '640 × 480 points, “Tern 20”, 2026-05-04 09:12:30',
    )
    expect(aboutWords({ seconds: '125.4', title: 'Storm' })).toBe('2 min 5 s, “Storm”')
    expect(aboutWords({ pages: '1' })).toBe('1 page')
    expect(aboutWords({})).toBe('')
  })
})

describe('a hash', () => {
  it('is shown, or why there is none', () => {
    expect(hashWords({ sha256: 'ab12', readBytes: 5, size: 5 })).toBe('ab12')
    expect(hashWords({ readBytes: 4, size: 5 })).toBe('none: not all of it was read')
    expect(hashWords({ readBytes: 5, size: 5 })).toContain('when it is recovered')
  })
})

describe('what a check covers', () => {
  it('is said of each finding, and never more of it than there is', () => {
    expect(provenWords(1)).toContain('all of them')
    expect(provenWords(0.996)).toContain('99 % of them')
    expect(provenWords(0.001)).toContain('nothing in it')
    expect(provenWords(undefined)).toContain('on record')
  })
})

describe('a score', () => {
  it('says how many were right only where that was measured', () => {
    const carved = ['carved' as const]
    const deleted = ['deleted' as const, 'carved' as const]
    expect(scoreWords({ origins: carved, score: 96, prognosis: 'whole' })).toContain('Of 100 finds like this 96')
    expect(scoreWords({ origins: carved, score: 75, prognosis: 'doubtful' })).toContain('Of 100 finds like this 75')
    expect(scoreWords({ origins: deleted, score: 97, prognosis: 'whole' })).toContain('Of 100 finds like this 97')
    expect(scoreWords({ origins: deleted, score: 5, prognosis: 'doubtful' })).toContain('Of 100 finds like this 5')
    expect(scoreWords({ origins: deleted, score: 40, prognosis: 'doubtful' })).toContain('40 of 100 is an estimate')
  })

  it('never says of what was not all read that it may be exactly the file', () => {
    expect(scoreWords({ origins: ['live'], score: 84, prognosis: 'gapped' })).not.toContain('84')
  })
})

describe('other versions of a line', () => {
  it('are those that differ from the one that leads, in the order of sessions', () => {
    const versions: CatalogueLine['versions'] = {
      12: { rank: 1130, prognosis: 'gapped', score: 30, origin: 'live', path: '/a' },
      3: { rank: 5, prognosis: 'whole', score: 95, origin: 'carved' },
      9: { rank: 1, prognosis: 'whole', score: 99, origin: 'live' },
    }
    expect(versionWords({ versions, prognosis: 'whole', score: 99 })).toEqual([
      'session 3: carved, whole, score 95',
      'session 12: live, gapped, score 30',
    ])
  })
})
