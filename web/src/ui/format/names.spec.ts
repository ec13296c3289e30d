import { expect, it } from 'vitest'
import { asFound } from './names'

it('writes out what would turn a name round or end its line', () => {
  expect(asFound('photo\u202egpj.exe')).toBe('photo[U+202E]gpj.exe')
  expect(asFound('two\nlines\u200f')).toBe('two[U+000A]lines[U+200F]')
})
it('leaves the names of people and places as they are', () => {
  for (const name of ['Søndre brygge, 4. juni.jpg', 'مذكرات البحر.txt', 'יומן.doc', '潮汐表 😀.xlsx'])
    expect(asFound(name)).toBe(name)
})
