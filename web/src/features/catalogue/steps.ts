import type { WantedState } from '@/api/types'
import { count } from '@/ui/format/format'
import type { Parts } from '@/ui/instruments/tally'

/** How a wanted line stands, in words: hoped for, found, chosen, delivered, each from the records of its own step. */

export function partsOf({ tally, searched }: WantedState): Parts {
  const { whole, partly, mayFit } = tally.found
  const missing = searched ? Math.max(0, tally.hopedFor - whole - partly - mayFit) : 0
  return { whole, gapped: partly, may: mayFit, missing }
}

/** `0 fit, 48 may fit`; what fits with gaps or in doubt is said. While nothing was searched to its end, so is that. */
export function foundWords({ tally, searched }: WantedState): string {
  const { whole, partly, mayFit } = tally.found
  if (!searched && whole + partly + mayFit === 0) return 'not searched'
  const fit = `${count(whole + partly)} fit${partly ? ` (${count(partly)} with gaps or in doubt)` : ''}`
  return mayFit ? `${fit}, ${count(mayFit)} may fit` : fit
}

export function hopedWords(state: WantedState): string {
  return state.tally.hopedFor ? `hoped for ${count(state.tally.hopedFor)}` : 'nobody said how many'
}

/** `3 chosen`, and once a bag is sealed what is in it. */
export function chosenWords({ tally }: WantedState): string {
  const { whole, partly } = tally.delivered
  const delivered =
    whole + partly
      ? `${count(whole)} delivered whole${partly ? `, ${count(partly)} with gaps or in doubt` : ''}`
      : '0 delivered'
  return `${count(tally.chosen)} chosen, ${delivered}`
}

/** Must-have lines of which less is chosen than was hoped for, each with its numbers; empty when there is none. */
export function openLines(wanted: readonly WantedState[]): string[] {
  return wanted
    .map((w, i) => ({ w, mark: `W${i + 1}` }))
    .filter(({ w }) => w.line.mustHave && w.tally.chosen < Math.max(1, w.tally.hopedFor))
    .map(({ w, mark }) => {
      const hoped = w.tally.hopedFor ? ` of ${count(w.tally.hopedFor)} hoped for` : ''
      return `${mark}: ${foundWords(w)}, ${count(w.tally.chosen)} chosen${hoped}`
    })
}

/** Who said that these are them; empty while nobody did. */
export function confirmedWords({ tally }: WantedState): string {
  return tally.confirmed ? `${count(tally.confirmed.theirs)} are theirs, says ${tally.confirmed.who}` : ''
}
