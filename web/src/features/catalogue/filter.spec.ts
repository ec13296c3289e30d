import { describe, expect, it } from 'vitest'
import { asRequest, EVERYTHING, facetRows, isEverything, pageQuery, toggled } from './filter'

describe('the catalogue filter', () => {
  it('takes values in and out of a facet', () => {
    const once = toggled(EVERYTHING, 'kinds', 'jpg')
    expect(once.kinds).toEqual(['jpg'])
    expect(isEverything(once)).toBe(false)
    expect(isEverything(toggled(once, 'kinds', 'jpg'))).toBe(true)
  })
  it('asks the server for just what is filtered', () => {
    const filter = { ...EVERYTHING, kinds: ['jpg', 'png'], q: ' plot & peat ', wanted: 3 }
    expect(pageQuery(filter, 0, '')).toMatchObject({ kind: ['jpg', 'png'], q: 'plot & peat', wanted: 3 })
    expect(pageQuery({ ...filter, fit: 'fits' }, 0, '')?.fit).toBe('fits')
    expect(pageQuery({ ...EVERYTHING, fit: 'fits' }, 2, 'size')).toMatchObject({
      fit: undefined,
      page: 2,
      sort: 'size',
    })
  })
  it('says the same when the selection is changed by filter', () => {
    expect(asRequest({ ...EVERYTHING, q: '  ' }).q).toBeUndefined()
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
