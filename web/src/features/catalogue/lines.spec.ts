import { describe, expect, it } from 'vitest'
import type { CatalogueLine, WantedState } from '@/api/types'
import { calledOf, fitWords, placeOf, wantedMarks } from './lines'

describe('a catalogue line', () => {
  const stands = (folder: string, name: string, trashed = false) =>
    ({ kind: 'jpg', extents: [{ offset: 2048 }], stands: { folder, name, trashed } }) as unknown as CatalogueLine
  it('shows its folders, and the top folder by name', () => {
    expect(placeOf(stands('/Plots/East', 'Plot 1.jpg'))).toBe('Plots › East')
    expect(placeOf(stands('', 'read me.txt'))).toBe('top folder')
  })
  it('stands where it was deleted from when it is in the trash', () => {
    expect(placeOf(stands('/Plots', 'Plot 1.jpg', true))).toBe('Plots, now in the trash')
    expect(calledOf(stands('/Plots', 'Plot 1.jpg', true))).toBe('Plot 1.jpg')
  })
  it('is called by its content, or by where it was found, when no record names it', () => {
    const carved = { kind: 'jpg', extents: [{ offset: 2048 }] } as unknown as CatalogueLine
    expect(placeOf(carved)).toBe('no name kept')
    expect(calledOf(carved)).toBe('jpg at 2.00 KiB')
    expect(calledOf({ ...carved, suggestedName: '[2026-05-04].jpg' })).toBe('[2026-05-04].jpg')
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
