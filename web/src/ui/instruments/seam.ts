/** Ticks of a hash: height from each nibble. An entry's own hash stands up, the one it follows hangs down. */
export function ticks(hash: string, count = 24): number[] {
  return [...hash.slice(0, count)].map((d) => (parseInt(d, 16) + 2) / 17)
}
