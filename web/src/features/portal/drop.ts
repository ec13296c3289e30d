import type { Readable } from './hash'

/** A file with its path within what was dropped or chosen. */
export interface PathedFile {
  path: string
  file: Readable
}

function readAll(reader: FileSystemDirectoryReader): Promise<FileSystemEntry[]> {
  // A reader hands over at most a hundred entries a call, and none at the end.
  return new Promise((resolve, reject) => {
    const all: FileSystemEntry[] = []
    const next = () =>
      reader.readEntries((some) => {
        if (!some.length) return resolve(all)
        all.push(...some)
        next()
      }, reject)
    next()
  })
}

async function walk(entry: FileSystemEntry, into: PathedFile[]): Promise<void> {
  if (entry.isFile) {
    const file = await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject))
    into.push({ path: entry.fullPath.replace(/^\//, ''), file })
  } else {
    for (const child of await readAll((entry as FileSystemDirectoryEntry).createReader())) await walk(child, into)
  }
}

/** Everything that was dropped, folders walked through. */
export async function filesOfDrop(transfer: DataTransfer): Promise<PathedFile[]> {
  const entries = [...transfer.items].map((i) => i.webkitGetAsEntry()).filter((e) => e !== null)
  const files: PathedFile[] = []
  for (const entry of entries) await walk(entry, files)
  return files
}

/** Files of an input; a chosen folder gives its own paths. */
export function filesOfInput(list: FileList): PathedFile[] {
  return [...list].map((file) => ({ path: file.webkitRelativePath || file.name, file }))
}
