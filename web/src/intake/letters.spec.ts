import { describe, expect, it } from 'vitest'
import { letterOf, optionFor } from './letters'

describe('the letters of a row', () => {
  it("are each answer's own", () => {
    const letters = letterOf(['none', 'clicking', 'scratching', 'beeping', 'not heard', 'unknown'])
    expect(letters.map((l) => l.letter)).toEqual(['n', 'c', 's', 'b', 'o', 'u'])
    expect(letters[4]!.at).toBe(1)
  })
  it('run out without harm', () => {
    expect(letterOf(['a', 'a', '7'])).toEqual([
      { letter: 'a', at: 0 },
      { letter: '', at: 0 },
      { letter: '', at: 0 },
    ])
  })
  it('choose their answer and nothing else', () => {
    const letters = letterOf(['yes', 'no'])
    expect(optionFor('N', letters)).toBe(1)
    expect(optionFor('x', letters)).toBe(-1)
    expect(optionFor('Enter', letters)).toBe(-1)
    expect(optionFor('', letterOf(['7']))).toBe(-1)
  })
})
