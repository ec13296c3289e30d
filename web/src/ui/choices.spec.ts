import { describe, expect, it } from 'vitest'
import { letterOf, optionFor, shownValues } from './choices'

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

describe('the values of a row', () => {
  it('are what is common and what is chosen, all of it when opened', () => {
    const values = ['none', 'clicking', 'grinding', 'beeping']
    expect(shownValues(values, ['none', 'clicking'], (v) => v === 'beeping', false)).toEqual([
      'none',
      'clicking',
      'beeping',
    ])
    expect(shownValues(values, ['none'], () => false, true)).toEqual([...values, 'unknown'])
    expect(shownValues(values, [], () => false, false)).toHaveLength(5)
  })
})
