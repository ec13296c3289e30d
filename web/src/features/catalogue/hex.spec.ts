import { describe, expect, it } from 'vitest'
import { hexRows } from './hex'

describe('bytes in rows', () => {
  it('shows sixteen a row with their place and their text', () => {
    const rows = hexRows('46494c4530000300' + '00'.repeat(8) + '7e7f20', 4096)
    expect(rows.map((r) => [r.offset, r.bytes.length, r.text])).toEqual([
      [4096, 16, 'FILE0···········'],
      [4112, 3, '~· '],
    ])
  })
  it('marks a field over the end of a row', () => {
    const rows = hexRows('00'.repeat(32), 0, { at: 14, length: 4 })
    expect(rows.map((r) => r.bytes.map((b) => (b.on ? 1 : 0)).join(''))).toEqual([
      '0000000000000011',
      '1100000000000000',
    ])
  })
  it('shows nothing of nothing', () => {
    expect(hexRows('', 10)).toEqual([])
  })
})
