/** Notches of a wanted line. */

export type Notch = 'whole' | 'gapped' | 'missing'

export interface Notches {
  notches: Notch[]
  /** How many files a notch stands for. */
  worth: number
}

const MOST = 40

/** One notch a file while there is room, else each stands for several; something there always shows. */
export function notchesFor(whole: number, gapped: number, missing: number): Notches {
  const all = whole + gapped + missing
  const worth = Math.max(1, Math.ceil(all / MOST))
  const of = (n: number) => (n === 0 ? 0 : Math.max(1, Math.round(n / worth)))
  return {
    worth,
    notches: [
      ...Array<Notch>(of(whole)).fill('whole'),
      ...Array<Notch>(of(gapped)).fill('gapped'),
      ...Array<Notch>(of(missing)).fill('missing'),
    ],
  }
}

/** The same in words. */
export function tallyWords(whole: number, gapped: number, missing: number): string {
  const parts = [`${whole} whole`]
  if (gapped) parts.push(`${gapped} with gaps or in doubt`)
  if (missing) parts.push(`${missing} missing`)
  return parts.join(' · ')
}
