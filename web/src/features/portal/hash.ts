import { createSHA256 } from 'hash-wasm'

const CHUNK = 4 << 20

/** SHA-256 of a file, chunk by chunk: a large file never has to fit into memory. @returns undefined when stopped */
export async function sha256Of(
  file: Blob,
  progress: (bytes: number) => void,
  stopped: () => boolean,
): Promise<string | undefined> {
  const digest = await createSHA256()
  for (let at = 0; at < file.size; at += CHUNK) {
    if (stopped()) return undefined
    digest.update(new Uint8Array(await file.slice(at, at + CHUNK).arrayBuffer()))
    progress(Math.min(at + CHUNK, file.size))
  }
  return digest.digest('hex')
}
