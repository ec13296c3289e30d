import { expect, it } from 'vitest'
import { mentionPieces } from './mentions'

it('marks who is named, and no e-mail address', () => {
  expect(mentionPieces('@tom look at slot 3').map((p) => p.mention)).toEqual([true, false])
  expect(mentionPieces('write to tides@skerrow.example')).toEqual([
    { text: 'write to tides@skerrow.example', mention: false },
  ])
  expect(
    mentionPieces('ask @petra, then @una')
      .filter((p) => p.mention)
      .map((p) => p.text),
  ).toEqual(['@petra', '@una'])
})
