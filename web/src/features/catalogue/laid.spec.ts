import { expect, it } from 'vitest'
import { changeSentences, changeWords, crumbs, layoutOf } from './laid'

it('says what had to be changed of names, by the system that cannot hold them', () => {
  expect(changeSentences({ forbidden: 1, numbered: 12 }, 'windows')).toEqual([
    '1 file with a sign that Windows cannot hold; “_” stands for it.',
    '12 files with a name that is taken in its folder; a number is added.',
  ])
  expect(changeSentences({ shortened: 2, reserved: 1 }, 'every')).toEqual([
    '1 file with a name that some systems would not take; “_” is put before it.',
    '2 files with a name or a path too long for some systems; it is shortened.',
  ])
  expect(changeSentences({ dated: 1 }, 'mac')).toEqual([
    '1 file with a name that is taken in its folder; its day is added.',
  ])
  expect(changeSentences({}, 'linux')).toEqual([])
  expect(changeWords('numbered')).toContain('another has this name')
})
it('leads back to each folder on the way', () => {
  expect(crumbs('')).toEqual([])
  expect(crumbs('pictures/DCIM')).toEqual([
    { name: 'pictures', folder: 'pictures' },
    { name: 'DCIM', folder: 'pictures/DCIM' },
  ])
})
it('knows a layout by its word alone', () => {
  expect(layoutOf('by-day')).toBe('by-day')
  expect(layoutOf('by-moon')).toBeUndefined()
  expect(layoutOf(['by-day'])).toBeUndefined()
})
