import type { Message } from '@/api/types'
import { dayAndTime } from '@/ui/format/format'

/** Where a message stands, in words. */
export function stateWords(m: Pick<Message, 'state' | 'tries' | 'nextAt' | 'sentAt'>): string {
  switch (m.state) {
    case 'sent':
      return `sent ${m.sentAt ? dayAndTime(m.sentAt) : ''}`.trim()
    case 'cancelled':
      return 'held back'
    case 'failed':
      return `not sent after ${m.tries} tries`
    default: {
      const tried = m.tries === 1 ? 'tried once, again' : `tried ${m.tries} times, again`
      return `${m.tries ? tried : 'goes out'} ${m.nextAt ? dayAndTime(m.nextAt) : 'soon'}`
    }
  }
}
