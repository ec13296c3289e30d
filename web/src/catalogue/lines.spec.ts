import { describe, expect, it } from 'vitest'
import type { WantedState } from '@/api/types'
import { folderOf, wantedMarks } from './lines'

describe('a catalogue line', () => {
  it('shows its folders, and the top folder by name', () => {
    expect(folderOf('/Plots/East/Plot 1.jpg', 'Plot 1.jpg')).toBe('Plots › East')
    expect(folderOf('/read me.txt', 'read me.txt')).toBe('top folder')
  })
  it('marks the wanted lines by their place on the list', () => {
    const wanted = [{ line: { id: 7 } }, { line: { id: 9 } }, { line: { id: 12 } }] as WantedState[]
    expect(wantedMarks([12, 7], wanted)).toBe('W1 W3')
    expect(wantedMarks([99], wanted)).toBe('')
  })
})
