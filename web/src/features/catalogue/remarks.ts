import type { components } from '@/api/schema'
import type { CatalogueLine } from '@/api/types'
import { calledOf } from './lines'

export type Remark = NonNullable<CatalogueLine['remark']>
export type Says = NonNullable<components['schemas']['Remarking']['whose']>
/** What is remarked anew; what is absent stays as it is. */
export type Remarking = Omit<components['schemas']['Remarking'], 'lines' | 'chosen'>

/** Whose a finding can be said to be. */
export const SAYS: readonly (readonly [Says, string])[] = [
  ['theirs', 'theirs'],
  ['not-theirs', 'not theirs'],
  ['unsaid', 'nobody says'],
]

export function saysWords(says: Says): string {
  return SAYS.find(([s]) => s === says)?.[1] ?? says
}

/** Signs of a remark beside a name, short: whose it is, its tags, and that there is a note. */
export function remarkSigns(remark: Remark | undefined): string[] {
  if (!remark) return []
  return [...(remark.whose ? [saysWords(remark.whose)] : []), ...remark.tags, ...(remark.note ? ['note'] : [])]
}

/** Pressed again, what is said is said no more. */
export function turned(remark: Remark | undefined, says: Says): Says {
  return remark?.whose === says ? 'unsaid' : says
}

/** What was done, in words to take it back by. */
export function doneWords(what: Remarking, files: number, line?: CatalogueLine): string {
  const which = line && files === 1 ? calledOf(line) : files === 1 ? 'One finding' : `${files} findings`
  if (what.whose)
    return what.whose === 'unsaid' ? `${which}: nobody says whose.` : `${which}: ${saysWords(what.whose)}.`
  if (what.tag) return `${which}: tagged “${what.tag.trim()}”.`
  if (what.untag) return `${which}: no more tagged “${what.untag}”.`
  if (what.called !== undefined) return what.called.trim() ? `${which}: given another name.` : `${which}: its own name.`
  return what.note?.trim() ? `${which}: noted.` : `${which}: no note.`
}
