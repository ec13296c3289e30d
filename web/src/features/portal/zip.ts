import type { Readable } from './hash'

/**
 * Reads the files of a ZIP in the browser, without unpacking it: only its directory is held, contents are streamed. As
 * the lab writes it, and as any tool does (APPNOTE 6.3.10, sections 4.3 and 4.5.3; all numbers little-endian).
 */

export interface ZipEntry extends Readable {
  path: string
}

export class NotAZip extends Error {}

/** End of the central directory: 22 bytes and a comment; before it a ZIP64 locator of 20, whose record has 56. */
const END = { signature: 0x06054b50, size: 22, entries: 10, length: 12, at: 16, longestComment: 65535 }
const LOCATOR = { signature: 0x07064b50, size: 20, at: 8 }
const END64 = { signature: 0x06064b50, size: 56, entries: 32, length: 40, at: 48 }
/** A header of the directory: 46 bytes, then name, extra fields, comment. */
const CENTRAL = {
  signature: 0x02014b50,
  size: 46,
  flags: 8,
  method: 10,
  packed: 20,
  unpacked: 24,
  name: 28,
  extra: 30,
  comment: 32,
  at: 42,
}
/** What stands before the content: 30 bytes, then name and extra fields. */
const LOCAL = { signature: 0x04034b50, size: 30, name: 26, extra: 28 }
const ZIP64_FIELD = 1
const ALL_ONES = 0xffffffff
const STORED = 0
const DEFLATED = 8
const ENCRYPTED = 1

const read = async (file: Blob, from: number, length: number) =>
  new DataView(await file.slice(from, from + length).arrayBuffer())
const u16 = (v: DataView, at: number) => v.getUint16(at, true)
const u32 = (v: DataView, at: number) => v.getUint32(at, true)
const u64 = (v: DataView, at: number) => Number(v.getBigUint64(at, true))

async function directoryOf(file: Blob): Promise<{ at: number; length: number; entries: number }> {
  const length = Math.min(file.size, END.size + END.longestComment + LOCATOR.size)
  const from = file.size - length
  const tail = await read(file, from, length)
  let end = length - END.size
  while (end >= 0 && u32(tail, end) !== END.signature) end--
  if (end < 0) throw new NotAZip('It has no directory: it is no ZIP, or was cut off.')
  const locator = end - LOCATOR.size
  if (locator >= 0 && u32(tail, locator) === LOCATOR.signature) {
    const record = await read(file, u64(tail, locator + LOCATOR.at), END64.size)
    if (record.byteLength < END64.size || u32(record, 0) !== END64.signature)
      throw new NotAZip('Its directory is not where it says.')
    return { at: u64(record, END64.at), length: u64(record, END64.length), entries: u64(record, END64.entries) }
  }
  return { at: u32(tail, end + END.at), length: u32(tail, end + END.length), entries: u16(tail, end + END.entries) }
}

/** Sizes and place of an entry; those that do not fit in 32 bits stand in its ZIP64 field, in this order. */
function places(v: DataView, at: number, extraAt: number, extraLength: number) {
  const found = {
    unpacked: u32(v, at + CENTRAL.unpacked),
    packed: u32(v, at + CENTRAL.packed),
    at: u32(v, at + CENTRAL.at),
  }
  for (let f = extraAt; f + 4 <= extraAt + extraLength; f += 4 + u16(v, f + 2)) {
    if (u16(v, f) !== ZIP64_FIELD) continue
    let next = f + 4
    for (const key of ['unpacked', 'packed', 'at'] as const)
      if (found[key] === ALL_ONES && next + 8 <= extraAt + extraLength) {
        found[key] = u64(v, next)
        next += 8
      }
  }
  return found
}

/** The content of an entry, unpacked as it is read. */
function contentOf(file: Blob, at: number, packed: number, method: number): ReadableStream<Uint8Array> {
  const content = new TransformStream<Uint8Array, Uint8Array>()
  void (async () => {
    try {
      const head = await read(file, at, LOCAL.size)
      if (head.byteLength < LOCAL.size || u32(head, 0) !== LOCAL.signature) throw new NotAZip('A file is not there.')
      const from = at + LOCAL.size + u16(head, LOCAL.name) + u16(head, LOCAL.extra)
      const raw = file.slice(from, from + packed).stream()
      const plain = method === STORED ? raw : raw.pipeThrough(new DecompressionStream('deflate-raw'))
      await plain.pipeTo(content.writable)
    } catch (e) {
      await content.writable.abort(e).catch(() => undefined) // whoever reads hears of it
    }
  })()
  return content.readable
}

/**
 * The files in a ZIP.
 *
 * @throws NotAZip when it is none, is cut off, or holds what a browser cannot unpack
 */
export async function entriesOf(file: Blob): Promise<ZipEntry[]> {
  const directory = await directoryOf(file)
  const v = await read(file, directory.at, directory.length)
  if (v.byteLength < directory.length) throw new NotAZip('Its directory is cut off.')
  const entries: ZipEntry[] = []
  let at = 0
  for (let n = 0; n < directory.entries; n++) {
    if (at + CENTRAL.size > v.byteLength || u32(v, at) !== CENTRAL.signature)
      throw new NotAZip('Its directory is damaged.')
    const [name, extra] = [u16(v, at + CENTRAL.name), u16(v, at + CENTRAL.extra)]
    const nameAt = at + CENTRAL.size
    const path = new TextDecoder().decode(new Uint8Array(v.buffer, nameAt, name))
    const method = u16(v, at + CENTRAL.method)
    if (u16(v, at + CENTRAL.flags) & ENCRYPTED || (method !== STORED && method !== DEFLATED))
      throw new NotAZip(`${path} is packed in a way that a browser cannot read.`)
    const place = places(v, at, nameAt + name, extra)
    if (!path.endsWith('/'))
      entries.push({ path, size: place.unpacked, stream: () => contentOf(file, place.at, place.packed, method) })
    at = nameAt + name + extra + u16(v, at + CENTRAL.comment)
  }
  return entries
}
