import type { Delivery } from '@/api/types'

/** Where a delivery stands, in a few words. */
export function deliveryWords(d: Delivery): string {
  if (d.state === 'sealing') return 'being sealed'
  if (d.state === 'failed') return 'not sealed, see why'
  if (d.receipt) return `received by ${d.receipt.name}`
  if (d.downloadedAt) return 'downloaded, no receipt yet'
  if (d.openedAt) return 'opened, not downloaded yet'
  return d.linkSentAt ? 'link made, not opened yet' : 'sealed, no link yet'
}
