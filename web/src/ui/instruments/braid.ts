import type { ScanView } from '@/api/types'

/** A session in the braid: where its lane is, and how it joins the trunk. Lengths in px. */
export interface Strand {
  session: ScanView
  /** Middle of its lane. */
  laneY: number
  /** Where it begins, and where it has joined. */
  x: number
  joinX: number
  /** Thickness of what it added, and of what it shared with earlier sessions. */
  added: number
  shared: number
  /** Top of its layer in the trunk. */
  layerY: number
}

export interface Braid {
  strands: Strand[]
  trunkTop: number
  trunkBottom: number
  width: number
  height: number
  total: number
}

const TRUNK = 46
const TRUNK_TOP = 26
const LANE = 30
const FIRST_LANE = 104
const BEND = 84
const THINNEST = 1.5

/**
 * Sessions as strands that join the catalogue one after the other: each adds a layer to the trunk as thick as what it
 * added, on one scale for all. Sessions stand in their order in time, with room for every bend.
 */
export function braidOf(sessions: readonly ScanView[], width: number): Braid {
  const ended = sessions.filter((s) => s.added > 0 || s.shared > 0 || s.state === 'running' || s.state === 'waiting')
  const total = ended.reduce((sum, s) => sum + s.added, 0)
  const scale = total > 0 ? TRUNK / total : 0
  const thick = (n: number): number => (n > 0 ? Math.min(TRUNK, Math.max(THINNEST, n * scale)) : 0)
  const step = ended.length > 1 ? Math.min(150, (width - BEND - 24) / (ended.length - 1)) : 0
  let layer = TRUNK_TOP
  const strands = ended.map((session, i) => {
    const added = thick(session.added)
    const strand = {
      session,
      laneY: FIRST_LANE + i * LANE,
      x: i * step,
      joinX: i * step + BEND,
      added,
      shared: Math.min(18, thick(session.shared)),
      layerY: layer,
    }
    layer += added
    return strand
  })
  return {
    strands,
    trunkTop: TRUNK_TOP,
    trunkBottom: Math.max(layer, TRUNK_TOP + 2),
    width,
    height: FIRST_LANE + Math.max(1, ended.length) * LANE - LANE / 2,
    total,
  }
}

/** A band of some thickness from its lane up to its layer, and along it to the end. */
export function addedPath(s: Strand, width: number): string {
  const bottom = s.laneY - s.shared / 2
  const top = bottom - s.added
  const bend = (from: number, to: number): string => `C ${s.x + 46} ${from}, ${s.joinX - 46} ${to}, ${s.joinX} ${to}`
  const back = (from: number, to: number): string => `C ${s.joinX - 46} ${from}, ${s.x + 46} ${to}, ${s.x} ${to}`
  const under = s.layerY + s.added
  return `M ${s.x} ${top} ${bend(top, s.layerY)} H ${width} V ${under} H ${s.joinX} ${back(under, bottom)} Z`
}

/** What it shared crosses to the trunk of the sessions before it, and ends there. */
export function sharedPath(s: Strand, trunkTop: number): string {
  const top = s.laneY - s.shared / 2
  const bottom = top + s.shared
  const end = s.joinX + 18
  const under = trunkTop + s.shared
  const there = `C ${s.x + 58} ${top}, ${end - 40} ${trunkTop}, ${end} ${trunkTop}`
  const back = `C ${end - 40} ${under}, ${s.x + 58} ${bottom}, ${s.x} ${bottom}`
  return `M ${s.x} ${top} ${there} V ${under} ${back} Z`
}

/** What a lane has room for, before the strands begin. */
const LANE_LETTERS = 34

/** A session's words as its lane has room for them. */
export const laneWords = (words: string): string =>
  words.length <= LANE_LETTERS ? words : `${words.slice(0, LANE_LETTERS - 1).trimEnd()}…`
