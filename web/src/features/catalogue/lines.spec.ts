import { describe, expect, it } from 'vitest'
import type { CatalogueLine, WantedState } from '@/api/types'
import { fitWords, folderOf, wantedMarks } from './lines'

describe('a catalogue line', () => {
  it('shows its folders, and the top folder by name', () => {
    expect(folderOf('/Plots/East/Plot 1.jpg', 'Plot 1.jpg')).toBe('Plots › East')
    expect(folderOf('/read me.txt', 'read me.txt')).toBe('top folder')
  })
  it('marks the wanted lines by their place on the list', () => {
    const wanted = [{ line: { id: 7 } }, { line: { id: 9 } }, { line: { id: 12 } }] as WantedState[]
    expect(wantedMarks([12, 7], [9], wanted)).toBe('W1 W2? W3')
    expect(wantedMarks([99], [], wanted)).toBe('')
  })
  it('says how it stands to each wanted line, and why', () => {
    const wanted = [{ line: { id: 7 } }, { line: { id: 9 } }] as WantedState[]
    const line = {
      fits: [
        { line: 9, verdict: 'may-fit', why: 'Nothing says when it was made.' },
        { line: 7, verdict: 'not', why: '' },
      ],
    } as unknown as CatalogueLine
    expect(fitWords(line, wanted)).toEqual(['may fit W2: Nothing says when it was made.', 'does not fit W1'])
  })
})
