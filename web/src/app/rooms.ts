/** The rooms of the lab. */
export type Room = 'desk' | 'bench' | 'handover' | 'ledger'

const OF_PLACE: Record<string, Room> = {
  imaging: 'bench',
  scanning: 'bench',
  handover: 'handover',
  closed: 'handover',
  custody: 'ledger',
}

/** The room that a page belongs to; a stage of a docket belongs where its work is done. */
export function roomOf(ofPage: Room | undefined, place: string): Room | undefined {
  return OF_PLACE[place] ?? ofPage
}
