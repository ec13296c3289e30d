/** A number at a moment, in milliseconds since 1970. */
export interface Sample {
  at: number
  value: number
}

export interface Frame {
  from: number
  to: number
  low: number
  high: number
}

/** Counters do not begin at nothing on the plot unless they do in fact; a line in the middle needs some air. */
export function frameOf(samples: readonly Sample[], bound: number | undefined, until: number): Frame {
  const values = samples.map((s) => s.value)
  if (bound !== undefined && bound > 0) values.push(bound)
  const low = Math.min(...values)
  const high = Math.max(...values)
  const air = Math.max(1, (high - low) * 0.12)
  const from = samples[0]?.at ?? until - 1
  return { from, to: Math.max(until, from + 1000), low: Math.max(0, low - air), high: high + air }
}

const clamp = (v: number): number => Math.min(1, Math.max(0, v))

export const shareX = (f: Frame, at: number): number => clamp((at - f.from) / (f.to - f.from))
export const shareY = (f: Frame, value: number): number => clamp((value - f.low) / (f.high - f.low))

/** A step line: a counter stands until it is read again. @returns an SVG path in a box of the given size */
export function stepPath(samples: readonly Sample[], f: Frame, width: number, height: number): string {
  const x = (at: number) => (shareX(f, at) * width).toFixed(1)
  const y = (value: number) => (height - shareY(f, value) * height).toFixed(1)
  const steps = samples.map((s, i) => (i ? `H${x(s.at)}V${y(s.value)}` : `M${x(s.at)} ${y(s.value)}`)).join('')
  return samples.length ? `${steps}H${x(f.to)}` : ''
}

/** Places of marks, no two on the same spot: a hundred thousand faults are as many marks as there are spots. */
export function marksAt(moments: readonly number[], f: Frame, width: number): number[] {
  const spots = new Set<number>()
  for (const at of moments) if (at >= f.from && at <= f.to) spots.add(Math.round(shareX(f, at) * width))
  return [...spots].sort((a, b) => a - b)
}
