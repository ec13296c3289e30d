/** A row of bytes as it is shown: place, bytes in two digits, the same as text. */
export interface HexRow {
  offset: number
  bytes: { hex: string; on: boolean }[]
  text: string
}

const ROW = 16

/** @param marked the stretch to mark, counted from the first byte */
export function hexRows(hex: string, offset: number, marked?: { at: number; length: number }): HexRow[] {
  const rows: HexRow[] = []
  const bytes = hex.match(/../g) ?? []
  for (let i = 0; i < bytes.length; i += ROW) {
    const row = bytes.slice(i, i + ROW)
    rows.push({
      offset: offset + i,
      bytes: row.map((h, j) => ({
        hex: h,
        on: marked !== undefined && i + j >= marked.at && i + j < marked.at + marked.length,
      })),
      text: row
        .map((h) => (/^(2[0-9a-f]|[3-6][0-9a-f]|7[0-9a-e])$/.test(h) ? String.fromCharCode(parseInt(h, 16)) : '·'))
        .join(''),
    })
  }
  return rows
}
