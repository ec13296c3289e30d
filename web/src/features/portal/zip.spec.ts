import { deflateRawSync } from 'node:zlib'
import { describe, expect, it } from 'vitest'
import { sha256Of } from './hash'
import { entriesOf, NotAZip } from './zip'

interface Given {
  path: string
  text: string
  packed?: boolean
  flags?: number
}

/** As a writer makes it that does not know a size before it has written it. */
function zip(files: Given[], long = false): Blob {
  const parts: Buffer[] = []
  const directory: Buffer[] = []
  let at = 0
  for (const { path, text, packed = false, flags = 0 } of files) {
    const raw = Buffer.from(text)
    const content = packed ? deflateRawSync(raw) : raw
    const name = Buffer.from(path)
    const local = Buffer.alloc(30)
    local.writeUInt32LE(0x04034b50)
    local.writeUInt16LE(name.length, 26)
    const central = Buffer.alloc(46)
    central.writeUInt32LE(0x02014b50)
    central.writeUInt16LE(flags, 8)
    central.writeUInt16LE(packed ? 8 : 0, 10)
    central.writeUInt32LE(content.length, 20)
    central.writeUInt32LE(long ? 0xffffffff : raw.length, 24)
    central.writeUInt16LE(name.length, 28)
    central.writeUInt32LE(at, 42)
    const extra = Buffer.alloc(long ? 12 : 0)
    if (long) {
      extra.writeUInt16LE(1)
      extra.writeUInt16LE(8, 2)
      extra.writeBigUInt64LE(BigInt(raw.length), 4)
      central.writeUInt16LE(extra.length, 30)
    }
    directory.push(central, name, extra)
    parts.push(local, name, content)
    at += local.length + name.length + content.length
  }
  const end = Buffer.alloc(22)
  end.writeUInt32LE(0x06054b50)
  end.writeUInt16LE(files.length, 10)
  end.writeUInt32LE(Buffer.concat(directory).length, 12)
  end.writeUInt32LE(at, 16)
  return new Blob([Buffer.concat([...parts, ...directory, end])])
}
const textOf = async (e: { stream: () => ReadableStream<Uint8Array> }) => new Response(e.stream()).text()

describe('a ZIP in the browser', () => {
  it('gives its files as they were, stored or packed, folders left out', async () => {
    const entries = await entriesOf(
      zip([
        { path: 'bag/data/', text: '' },
        { path: 'bag/data/Fähre.txt', text: 'the ferry' },
        { path: 'bag/data/gale.txt', text: 'wind '.repeat(5000), packed: true },
      ]),
    )
    expect(entries.map((e) => e.path)).toEqual(['bag/data/Fähre.txt', 'bag/data/gale.txt'])
    expect(await textOf(entries[0]!)).toBe('the ferry')
    expect(await textOf(entries[1]!)).toBe('wind '.repeat(5000))
    expect(entries[1]!.size).toBe(25_000)
  })
  it('knows sizes that stand in the long field', async () => {
    expect((await entriesOf(zip([{ path: 'a', text: 'abc' }], true)))[0]!.size).toBe(3)
  })
  it('says when it is none, is cut off, or cannot be unpacked here', async () => {
    await expect(entriesOf(new Blob(['no zip at all, only words']))).rejects.toThrow(NotAZip)
    const whole = zip([{ path: 'a', text: 'abc' }])
    await expect(entriesOf(whole.slice(0, whole.size - 1))).rejects.toThrow('cut off')
    await expect(entriesOf(zip([{ path: 'a', text: 'abc', flags: 1 }]))).rejects.toThrow('cannot read')
  })
  it('fails in reading where a content is not there', async () => {
    const [entry] = await entriesOf(zip([{ path: 'a', text: 'abc' }]))
    const whole = zip([{ path: 'a', text: 'abc' }])
    const torn = new Blob([new Uint8Array(4), whole.slice(4)])
    const [broken] = await entriesOf(torn)
    await expect(
      sha256Of(
        broken!,
        () => undefined,
        () => false,
      ),
    ).rejects.toThrow()
    expect(await textOf(entry!)).toBe('abc')
  })
})
