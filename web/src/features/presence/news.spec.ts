import { expect, it } from 'vitest'
import { doings, said } from './news'

const did = (number: number, who: string, what: string) => ({ number, who, what, at: `2026-12-01T10:0${number}:00Z` })

it('folds what one person did in a row, and counts what was done again', () => {
  expect(
    doings([
      did(1, 'Tom', 'added a photo'),
      did(2, 'Tom', 'attached a medium'),
      did(3, 'Tom', 'added a photo'),
      did(4, 'Brantel', 'finished imaging'),
      did(5, 'Tom', 'added a photo'),
    ]),
  ).toEqual([
    {
      who: 'Tom',
      at: '2026-12-01T10:03:00Z',
      what: [
        { words: 'added a photo', times: 2 },
        { words: 'attached a medium', times: 1 },
      ],
    },
    { who: 'Brantel', at: '2026-12-01T10:04:00Z', what: [{ words: 'finished imaging', times: 1 }] },
    { who: 'Tom', at: '2026-12-01T10:05:00Z', what: [{ words: 'added a photo', times: 1 }] },
  ])
  expect(doings([])).toEqual([])
  expect(doings([did(1, 'Tom', 'a'), did(2, 'Tom', 'b'), did(3, 'Tom', 'a')]).map(said)).toEqual(['a (2 times), b'])
})
