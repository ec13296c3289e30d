import type { components } from '@/api/schema'
import { count } from '@/ui/format/format'

export type SheetState = components['schemas']['SheetState']

/** How far something is that is done ahead, and what can be begun. */
export interface Ahead {
  /** What is done just now; empty where nothing is. */
  doing: string
  /** How far it is, where nothing is done just now. */
  words: string
  /** More of that, for those who look. */
  title: string
  /** What can be begun; empty for nothing. */
  offer: string
}

const pictures = (n: number): string => `${count(n)} ${n === 1 ? 'picture' : 'pictures'}`

/** How far the small pictures of a case are drawn, and what can be done about it. */
export function aheadState({ pictures: all, looked, drawn, run }: SheetState): Ahead {
  const atWork = run?.state === 'waiting' || run?.state === 'running'
  const left = Math.max(0, all - looked)
  const broke = run?.state === 'failed' ? '; drawing broke off' : ''
  const undrawn = looked - drawn
  return {
    doing: atWork ? 'drawing small pictures' : '',
    words: looked || broke ? `${count(drawn)} of ${pictures(all)} drawn${broke}` : '',
    title: [
      looked ? '' : 'Drawn ahead, they are there at once, and those that look nearly the same are found.',
      undrawn ? `${pictures(undrawn)} cannot be drawn.` : '',
      run?.trouble ?? '',
    ]
      .filter(Boolean)
      .join(' '),
    offer: !left ? '' : looked ? `draw the other ${count(left)}` : `draw ${pictures(left)} ahead`,
  }
}
