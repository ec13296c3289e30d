import type { WantedForm } from '@/api/types'

/** A line with what its words say, where nothing was entered by hand. */
export function filledFrom(line: WantedForm, found: WantedForm): WantedForm {
  return {
    ...line,
    kinds: line.kinds.length ? line.kinds : found.kinds,
    pattern: line.pattern || found.pattern,
    hopedFor: line.hopedFor || found.hopedFor,
    minBytes: line.minBytes || found.minBytes,
    changedFrom: line.changedFrom ?? found.changedFrom,
    changedTo: line.changedTo ?? found.changedTo,
    mustHave: line.mustHave && found.mustHave,
  }
}
