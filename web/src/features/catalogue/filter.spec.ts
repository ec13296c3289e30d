import { describe, expect, it } from 'vitest'
import {
  asRequest,
  EVERYTHING,
  facetRows,
  facetWords,
  fromQuery,
  isEverything,
  pageQuery,
  placeAddress,
  toggled,
} from './filter'

describe('the catalogue filter', () => {
  it('takes values in and out of a facet', () => {
    const once = toggled(EVERYTHING, 'kinds', 'jpg')
    expect(once.kinds).toEqual(['jpg'])
    expect(isEverything(once)).toBe(false)
    expect(isEverything(toggled(once, 'kinds', 'jpg'))).toBe(true)
  })
  it('asks the server for just what is filtered', () => {
    const filter = { ...EVERYTHING, kinds: ['jpg', 'png'], q: ' plot & peat ', wanted: 3 }
    expect(pageQuery(filter, undefined, '')).toMatchObject({ kind: ['jpg', 'png'], q: 'plot & peat', wanted: 3 })
    expect(pageQuery({ ...filter, fit: 'fits' }, undefined, '')?.fit).toBe('fits')
    expect(pageQuery({ ...EVERYTHING, fit: 'fits' }, 31, 'size')).toMatchObject({
      fit: undefined,
      after: 31,
      sort: 'size',
    })
  })
  it('says the same when the selection is changed by filter', () => {
    expect(asRequest({ ...EVERYTHING, q: '  ' }).q).toBeUndefined()
  })
  it('keeps a place in the address', () => {
    const place = fromQuery({ folder: '12,98' })
    expect(place.folders).toEqual([12, 98])
    expect(isEverything(place)).toBe(false)
    expect(placeAddress(place)).toBe('12,98')
    expect(pageQuery(place, undefined, '')).toMatchObject({ folder: [12, 98], below: true })
    expect(pageQuery({ ...place, hereOnly: true }, undefined, '')?.below).toBeUndefined()
    expect(fromQuery({ folder: 'none' }).nameless).toBe(true)
    expect(placeAddress(fromQuery({ folder: 'none' }))).toBe('none')
    expect(placeAddress(fromQuery({ folder: '1; drop' }))).toBeUndefined()
  })
  it('says its conditions in words', () => {
    expect(facetWords({ ...EVERYTHING, kinds: ['jpg'], prognoses: ['whole'] })).toBe('jpg, whole')
    expect(facetWords(EVERYTHING)).toBe('')
  })
  it('asks for pictures by the day for a contact sheet', () => {
    const sheet = { ...EVERYTHING, sheet: true }
    expect(pageQuery(sheet, undefined, 'size')).toMatchObject({ kind: ['image'], sort: 'made' })
    expect(pageQuery({ ...sheet, kinds: ['png'] }, undefined, '')?.kind).toEqual(['png'])
    expect(asRequest(sheet).kinds).toEqual(['image'])
    expect(isEverything(sheet)).toBe(true)
  })
  it('treats blanks as no text', () => {
    expect(isEverything({ ...EVERYTHING, q: '   ' })).toBe(true)
  })
})

describe('facets', () => {
  it('keep what is chosen in sight though nothing fits it', () => {
    expect(facetRows({ jpg: 4 }, ['pdf'])).toEqual([
      { value: 'jpg', count: 4, on: false },
      { value: 'pdf', count: 0, on: true },
    ])
  })
  it('follow a given order', () => {
    expect(facetRows({ carved: 9, live: 1 }, [], ['live', 'deleted', 'carved']).map((r) => r.value)).toEqual([
      'live',
      'carved',
    ])
  })
})
