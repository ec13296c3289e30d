import { createHash } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { sha256Of } from './hash'

describe('hashing in the browser', () => {
  it("gives what the lab's own hash gives, over several chunks", async () => {
    const bytes = new Uint8Array((9 << 20) + 17).map((_, i) => (i * 31) & 0xff)
    const seen: number[] = []
    const hash = await sha256Of(
      new Blob([bytes.slice(0, 4 << 20), bytes.slice(4 << 20)]),
      (n) => seen.push(n),
      () => false,
    )
    expect(hash).toBe(createHash('sha256').update(bytes).digest('hex'))
    expect(seen.at(-1)).toBe(bytes.length)
    expect(seen.length).toBeGreaterThan(1)
  })
  it('hashes nothing at all too', async () => {
    expect(
      await sha256Of(
        new Blob([]),
        () => undefined,
        () => false,
      ),
    ).toBe(createHash('sha256').digest('hex'))
  })
  it('stops when told', async () => {
    expect(
      await sha256Of(
        new Blob([new Uint8Array(10)]),
        () => undefined,
        () => true,
      ),
    ).toBeUndefined()
  })
})
