import type { Delivery } from '@/api/types'
import { count, dayAndTime } from '@/ui/format/format'

/** Where a delivery stands, in a few words. */
export function deliveryWords(d: Delivery): string {
  if (d.state === 'sealing') return 'being sealed'
  if (d.state === 'failed') return 'not sealed, see why'
  if (d.receipt) return `received by ${d.receipt.name}`
  if (d.downloadedAt) return 'downloaded, no receipt yet'
  if (d.openedAt && !d.withdrawnAt) return 'opened, not downloaded yet'
  if (d.withdrawnAt) return 'link withdrawn'
  return d.linkSentAt ? 'link made, not opened yet' : 'sealed, no link yet'
}

/** What a receipt says of the customer's own check. */
export function receiptWords(receipt: NonNullable<Delivery['receipt']>, files: number): string {
  const { checked, equal, compared } = receipt
  if (!checked) return 'did not check'
  if (!compared) return `said that ${count(equal)} of ${count(checked)} checked files were equal`
  const all = equal === files ? 'every one as it was sealed' : `${count(equal)} as they were sealed`
  return `their browser hashed ${count(checked)} of ${count(files)} files, ${all}`
}

/** Something that happened to a delivery. */
export interface DeliveryEvent {
  at: string
  what: string
  /** What else there is to say, with the sign that parts it. */
  more: string
}

/** What happened to it, in the order in which it happened: a link may be newer than who opened the one before. */
export function eventsOf(d: Delivery): DeliveryEvent[] {
  const until = d.expiresAt ? `, until ${dayAndTime(d.expiresAt)}` : ''
  const all: (DeliveryEvent | undefined)[] = [
    { at: d.sealedAt, what: 'bag sealed', more: ` by ${d.who}` },
    d.linkSentAt ? { at: d.linkSentAt, what: 'link made', more: until } : undefined,
    d.withdrawnAt ? { at: d.withdrawnAt, what: 'link withdrawn', more: '' } : undefined,
    d.openedAt ? { at: d.openedAt, what: 'opened', more: ' with the passcode' } : undefined,
    d.downloadedAt ? { at: d.downloadedAt, what: 'downloaded', more: '' } : undefined,
    d.receipt
      ? {
          at: d.receipt.at,
          what: 'receipt confirmed',
          more: ` by ${d.receipt.name}: ${receiptWords(d.receipt, d.files)}`,
        }
      : undefined,
  ]
  return all.filter((e) => e !== undefined).sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
}
