/** Notches of a wanted line. */

export type Notch = 'whole' | 'gapped' | 'may' | 'missing'

/** How many files of a line there are of each sort. */
export interface Parts {
  whole: number
  gapped: number
  /** Nobody can say whether they are meant. */
  may: number
  missing: number
}

export interface Notches {
  notches: Notch[]
  /** How many files a notch stands for. */
  worth: number
}

const MOST = 40

/** One notch a file while there is room, else each stands for several; something there always shows. */
export function notchesFor({ whole, gapped, may, missing }: Parts, most: number = MOST): Notches {
  const all = whole + gapped + may + missing
  // Three sorts may each be rounded up to one notch more.
  const worth = all <= most ? 1 : Math.ceil(all / Math.max(1, most - 3))
  const of = (n: number) => (n === 0 ? 0 : Math.max(1, Math.round(n / worth)))
  return {
    worth,
    notches: [
      ...Array<Notch>(of(whole)).fill('whole'),
      ...Array<Notch>(of(gapped)).fill('gapped'),
      ...Array<Notch>(of(may)).fill('may'),
      ...Array<Notch>(of(missing)).fill('missing'),
    ],
  }
}

/** The same in words. */
export function tallyWords({ whole, gapped, may, missing }: Parts): string {
  const parts = [`${whole} whole`]
  if (gapped) parts.push(`${gapped} with gaps or in doubt`)
  if (may) parts.push(`${may} may fit`)
  if (missing) parts.push(`${missing} missing`)
  return parts.join(' · ')
}
