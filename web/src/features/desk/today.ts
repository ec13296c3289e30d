import type { Desk } from '@/api/types'

/** How much has a time today, and whether all of it is shown. */
export function todayWords(desk: Pick<Desk, 'timed'> & { today: readonly unknown[] }): string {
  if (!desk.timed) return 'nothing has a time'
  if (desk.timed === 1) return 'one thing has a time'
  return desk.today.length < desk.timed
    ? `${desk.today.length} of ${desk.timed} that have a time, promises first`
    : `${desk.timed} things have a time`
}
