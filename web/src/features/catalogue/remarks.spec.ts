import { expect, it } from 'vitest'
import { doneWords, remarkSigns, turned, type Remark } from './remarks'

const REMARK: Remark = { tags: ['boat', 'first dance'], who: 'Una Farrow', at: '2026-05-04T09:12:30Z' }

it('shows whose a finding is, its tags, and that there is a note', () => {
  expect(remarkSigns(undefined)).toEqual([])
  expect(remarkSigns({ ...REMARK, whose: 'not-theirs', note: 'an icon' })).toEqual([
    'not theirs',
    'boat',
    'first dance',
    'note',
  ])
})
it('takes back what is said once more', () => {
  expect(turned(REMARK, 'theirs')).toBe('theirs')
  expect(turned({ ...REMARK, whose: 'theirs' }, 'theirs')).toBe('unsaid')
  expect(turned({ ...REMARK, whose: 'theirs' }, 'not-theirs')).toBe('not-theirs')
})
it('says what was done', () => {
  expect(doneWords({ whose: 'not-theirs' }, 3)).toBe('3 findings: not theirs.')
  expect(doneWords({ whose: 'unsaid' }, 1)).toBe('One finding: nobody says whose.')
  expect(doneWords({ tag: ' boat ' }, 2)).toBe('2 findings: tagged “boat”.')
  expect(doneWords({ called: '' }, 1)).toBe('One finding: its own name.')
  expect(doneWords({ note: ' ' }, 1)).toBe('One finding: no note.')
})
