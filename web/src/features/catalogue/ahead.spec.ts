import { expect, it } from 'vitest'
import { aheadState, type SheetState } from './ahead'

const state = (more: object): SheetState => ({ pictures: 1200, looked: 0, drawn: 0, ...more }) as SheetState

it('offers to draw what was not drawn, and says what cannot be', () => {
  expect(aheadState(state({}))).toMatchObject({ doing: '', words: '', offer: 'draw 1,200 pictures ahead' })
  expect(aheadState(state({ looked: 1000, drawn: 990 }))).toMatchObject({
    words: '990 of 1,200 pictures drawn',
    title: '10 pictures cannot be drawn.',
    offer: 'draw the other 200',
  })
  expect(aheadState(state({ looked: 1200, drawn: 1200 }))).toMatchObject({ title: '', offer: '' })
})
it('says that it goes on, or broke off and why', () => {
  expect(aheadState(state({ run: { state: 'running' } })).doing).toBe('drawing small pictures')
  expect(aheadState(state({ run: { state: 'failed', trouble: 'The image is gone.' } }))).toMatchObject({
    doing: '',
    words: '0 of 1,200 pictures drawn; drawing broke off',
    title: 'Drawn ahead, they are there at once, and those that look nearly the same are found. The image is gone.',
  })
})
