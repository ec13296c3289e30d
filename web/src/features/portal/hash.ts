import { createSHA256 } from 'hash-wasm'

/** Something that is read from its beginning to its end: a file, or one inside a ZIP. */
export interface Readable {
  readonly size: number
  stream: () => ReadableStream<Uint8Array>
}

/** SHA-256 of a file as it streams by: a large file never has to fit into memory. @returns undefined when stopped */
export async function sha256Of(
  file: Readable,
  progress: (bytes: number) => void,
  stopped: () => boolean,
): Promise<string | undefined> {
  const digest = await createSHA256()
  const reader = file.stream().getReader()
  let read = 0
  for (;;) {
    if (stopped()) {
      await reader.cancel()
      return undefined
    }
    const { done, value } = await reader.read()
    if (done) return digest.digest('hex')
    digest.update(value)
    read += value.length
    progress(read)
  }
}
