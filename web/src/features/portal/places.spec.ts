import { expect, it } from 'vitest'
import { placeWords } from './places'

it('says places in plain words', () => {
  expect(placeWords('data/volume 2/Photos/gull.jpg')).toBe('Photos › gull.jpg')
  expect(placeWords('data/found by content/csv/00012.csv')).toBe('names lost › csv files › 00012.csv')
  expect(placeWords('data/(lost folder piece 707)/a.txt')).toBe('a folder whose name is lost › a.txt')
  expect(placeWords('data/lost folder 12/a.txt')).toBe('a folder whose name is lost › a.txt')
  expect(placeWords('data/hives/hive 1.ods')).toBe('hives › hive 1.ods')
})
