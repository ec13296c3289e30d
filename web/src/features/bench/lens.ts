/** The stretch of a device under the lens, as shares of it. */
export interface Stretch {
  from: number
  to: number
}

const SMALLEST = 1 / 4096
const LARGEST = 1 / 5

function kept(centre: number, width: number): Stretch {
  const w = Math.min(LARGEST, Math.max(SMALLEST, width))
  const from = Math.min(1 - w, Math.max(0, centre - w / 2))
  return { from, to: from + w }
}

export const FIRST: Stretch = { from: 0, to: 1 / 20 }

/** Around a place that was pointed at. */
export function around(stretch: Stretch, share: number): Stretch {
  return kept(share, stretch.to - stretch.from)
}

/** Half a width to a side; never over the ends. */
export function moved(stretch: Stretch, direction: 1 | -1): Stretch {
  const width = stretch.to - stretch.from
  return kept((stretch.from + stretch.to) / 2 + (direction * width) / 2, width)
}

/** Twice as near or as far. */
export function magnified(stretch: Stretch, nearer: boolean): Stretch {
  return kept((stretch.from + stretch.to) / 2, (stretch.to - stretch.from) * (nearer ? 0.5 : 2))
}
