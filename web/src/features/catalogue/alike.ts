import type { CatalogueLine } from '@/api/types'

/** A picture, and those beneath it that look nearly the same. */
export interface Pictured {
  line: CatalogueLine
  /** Its place among the lines. */
  index: number
  /** Folded beneath it, in the order that they were taken. */
  like: Pictured[]
}

/** So many of the 128 bits of a look may differ. */
const NEAR = 14
/** A picture is held against so many that were taken before it. */
const BACK = 40
const BITS = Array.from({ length: 16 }, (_, n) => n.toString(2).replaceAll('0', '').length)
const PROGNOSES = ['whole', 'gapped', 'doubtful', 'overwritten']

/** How many bits of two looks differ; not counted beyond `most`. */
export function apart(a: string, b: string, most = 128): number {
  let bits = 0
  for (let i = 0; i < a.length && bits <= most; i++) bits += BITS[parseInt(a[i]!, 16) ^ parseInt(b[i]!, 16)]!
  return bits
}

/** Pictures that look nearly the same, as piles where the first of each stands; the best of a pile lies on top. */
export function folded(pictures: readonly Pictured[]): Pictured[] {
  const piles: Pictured[][] = []
  for (const picture of pictures) {
    const look = picture.line.look
    const pile = look
      ? piles.slice(-BACK).find(([first]) => first!.line.look && apart(first!.line.look, look, NEAR) <= NEAR)
      : undefined
    if (pile) pile.push(picture)
    else piles.push([picture])
  }
  return piles.map((pile) => {
    const top = pile.reduce((best, p) => (isBetter(p.line, best.line) ? p : best))
    return { ...top, like: pile.filter((p) => p !== top) }
  })
}

/** More surely whole, else larger: the picture rather than the small one that a camera keeps of it. */
function isBetter(a: CatalogueLine, b: CatalogueLine): boolean {
  const worse = PROGNOSES.indexOf(a.prognosis) - PROGNOSES.indexOf(b.prognosis)
  return worse < 0 || (worse === 0 && a.size > b.size)
}

/** `+ 2 like it`; empty where none is. */
export function likeWords(many: number): string {
  return many ? `+ ${many} like it` : ''
}
