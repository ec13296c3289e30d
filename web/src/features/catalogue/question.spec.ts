import { describe, expect, it } from 'vitest'
import type { QuestionPart } from '@/api/types'
import {
  asText,
  daysAsked,
  pieces,
  pointed,
  saidOtherwise,
  sizesAsked,
  withMore,
  without,
  wordsAsked,
} from './question'

function part(words: string, text: string, about: QuestionPart['about'] = 'text'): QuestionPart {
  const from = words.indexOf(text)
  return { about, from, to: from + text.length, says: text, not: false, or: false }
}

describe('a question', () => {
  it('loses a part, and what joined it', () => {
    const words = 'pictures from may 2021, in DCIM or Camera'
    expect(without(words, part(words, 'from may 2021'))).toBe('pictures, in DCIM or Camera')
    expect(without(words, part(words, 'pictures'))).toBe('from may 2021, in DCIM or Camera')
    expect(without(words, part(words, 'Camera'))).toBe('pictures from may 2021, in DCIM')
    expect(without('jpg or png', part('jpg or png', 'jpg'))).toBe('png')
    expect(without('deleted, not in DCIM', part('deleted, not in DCIM', 'not in DCIM'))).toBe('deleted')
    expect(without('deleted', part('deleted', 'deleted'))).toBe('')
  })

  it('takes a part as the letters that it is', () => {
    expect(asText('deleted pictures', part('deleted pictures', 'deleted'))).toBe('"deleted" pictures')
    expect(asText('in “Tide” 2019', part('in “Tide” 2019', 'in “Tide”'))).toBe('"in Tide" 2019')
  })

  it('takes what controls say in the place of what was said before', () => {
    const words = 'pictures from may 2021, over 1 mb'
    const parts = [part(words, 'from may 2021', 'made'), part(words, 'over 1 mb', 'size')]
    expect(saidOtherwise(words, parts, 'made', daysAsked('2021-05-04', ''))).toBe(
      'pictures, over 1 mb, since 2021-05-04',
    )
    expect(saidOtherwise(words, parts, 'size', '')).toBe('pictures from may 2021')
    expect(withMore('', 'deleted')).toBe('deleted')
    expect(withMore('pictures,', 'deleted')).toBe('pictures, deleted')
  })

  it('says days and sizes as the server reads them', () => {
    expect(daysAsked('2021-05-04', '2021-05-04')).toBe('on 2021-05-04')
    expect(daysAsked('2021-05-04', '2021-05-09')).toBe('from 2021-05-04 to 2021-05-09')
    expect(daysAsked('', '2021-05-09')).toBe('until 2021-05-09')
    expect(daysAsked('', '')).toBe('')
    expect(sizesAsked('1 mb', '5 mb')).toBe('between 1 mb and 5 mb')
    expect(sizesAsked('', '5 mb')).toBe('at most 5 mb')
  })

  it('is shown in its pieces', () => {
    const words = 'the deleted pictures, please'
    expect(pieces(words, [part(words, 'deleted'), part(words, 'pictures')]).map((p) => p.text)).toEqual([
      'the',
      'deleted',
      'pictures',
      'please',
    ])
    // Parts of a longer question that was asked before are not shown in a shorter one.
    expect(pieces('de', [part(words, 'deleted')])).toEqual([{ text: 'de' }])
  })

  it('means the line at hand by this one', () => {
    expect(pointed('pictures like this one', 12)).toBe('pictures like #12')
    expect(pointed('like this one', undefined)).toBe('like this one')
  })
})

it('gives the words that a question looks for in texts, as they are said', () => {
  const words = 'pdfs containing the words "harbour dues", not mentioning Mara, tide'
  const said = (text: string, about: QuestionPart['about'], not = false) => ({ ...part(words, text, about), not })
  const parts = [
    said('pdfs', 'kind'),
    said('containing the words "harbour dues"', 'inside'),
    said('mentioning Mara', 'inside', true),
    said('tide', 'text'),
  ]
  expect(wordsAsked({ words, parts, problems: [] })).toEqual(['harbour dues', 'tide'])
  expect(wordsAsked(undefined)).toEqual([])
})
