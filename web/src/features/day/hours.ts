/** A bar of one hour, in pixels. */
export interface HourBar {
  x: number
  y: number
  height: number
}

const WIDTH = 11
const HEIGHT = 20

/**
 * Bars of the hours in which something was done; the smallest can still be seen.
 *
 * @param hours entries in each, from 0
 * @param most of any hour of any person, so that people can be compared
 */
export function hourBars(hours: readonly number[], most: number): HourBar[] {
  return hours.flatMap((entries, hour) => {
    if (!entries) return []
    const height = Math.max(3, (HEIGHT * entries) / most)
    return [{ x: hour * WIDTH + 1, y: HEIGHT - height, height }]
  })
}
