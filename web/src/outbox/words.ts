import type { Message } from '@/api/types'
import { dayAndTime } from '@/format/format'

/** Where a message stands, in words. */
export function stateWords(m: Pick<Message, 'state' | 'tries' | 'nextAt' | 'sentAt'>): string {
  switch (m.state) {
    case 'sent': return `sent ${m.sentAt ? dayAndTime(m.sentAt) : ''}`.trim()
    case 'cancelled': return 'held back'
    case 'failed': return `not sent after ${m.tries} tries`
    default: return `${m.tries ? `tried ${m.tries === 1 ? 'once' : `${m.tries} times`}, again` : 'goes out'} ${m.nextAt ? dayAndTime(m.nextAt) : 'soon'}`
  }
}
