import { describe, expect, it } from 'vitest'
import type { ScanView } from '@/api/types'
import { addedPath, braidOf, laneWords, sharedPath } from './braid'

const session = (id: number, added: number, shared: number, state = 'done'): ScanView =>
  ({ id, added, shared, state }) as ScanView

describe('the session braid', () => {
  it('adds a layer for each session, on one scale', () => {
    const braid = braidOf([session(1, 300, 0), session(2, 100, 250), session(3, 0, 400)], 500)
    expect(braid.total).toBe(400)
    expect(braid.strands.map((s) => Math.round(s.added * 10) / 10)).toEqual([34.5, 11.5, 0])
    expect(braid.strands[1]!.layerY).toBeCloseTo(braid.strands[0]!.layerY + braid.strands[0]!.added)
    expect(braid.trunkBottom - braid.trunkTop).toBeCloseTo(46)
  })
  it('keeps a session that added little visible, and leaves out one that found nothing', () => {
    const braid = braidOf([session(1, 100000, 0), session(2, 1, 0), session(3, 0, 0)], 500)
    expect(braid.strands.map((s) => s.session.id)).toEqual([1, 2])
    expect(braid.strands[1]!.added).toBe(1.5)
  })
  it('fits its width however many sessions there are', () => {
    const braid = braidOf(
      Array.from({ length: 12 }, (_, i) => session(i + 1, 10, 5)),
      480,
    )
    expect(Math.max(...braid.strands.map((s) => s.joinX))).toBeLessThanOrEqual(480)
    expect(addedPath(braid.strands[3]!, 480)).toMatch(/^M .* H 480 V .* Z$/)
    expect(sharedPath(braid.strands[3]!, braid.trunkTop)).toMatch(/^M .* Z$/)
  })
  it('is empty before there is a session', () => {
    expect(braidOf([], 500).strands).toEqual([])
  })
})

describe('the words of a lane', () => {
  it('end before the strands begin', () => {
    expect(laneWords('records, whole medium')).toBe('records, whole medium')
    const long = laneWords('records and content, at Lab of the salt works')
    expect(long).toHaveLength(34)
    expect(long.endsWith('…')).toBe(true)
  })
})
