import { describe, expect, it } from 'vitest'
import { filesOfDrop, filesOfInput } from './drop'

const file = (fullPath: string): FileSystemEntry =>
  ({
    isFile: true,
    fullPath,
    file: (take: (f: File) => void) => take(new File(['x'], fullPath.split('/').at(-1)!)),
  }) as unknown as FileSystemEntry

/** Hands over at most two entries a call, as a browser does with a hundred. */
const folder = (children: FileSystemEntry[]): FileSystemEntry =>
  ({
    isFile: false,
    createReader: () => {
      let at = 0
      return {
        readEntries: (take: (some: FileSystemEntry[]) => void) =>
          queueMicrotask(() => take(children.slice(at, (at += 2)))),
      }
    },
  }) as unknown as FileSystemEntry

const drop = (...entries: (FileSystemEntry | null)[]): DataTransfer =>
  ({ items: entries.map((e) => ({ webkitGetAsEntry: () => e })) }) as unknown as DataTransfer

describe('what is dropped on the page', () => {
  it('is every file of every folder, with its path', async () => {
    const inner = folder([
      file('/bag/data/a/1.jpg'),
      file('/bag/data/a/2.jpg'),
      file('/bag/data/a/3.jpg'),
      file('/bag/data/a/4.jpg'),
      file('/bag/data/a/5.jpg'),
    ])
    const files = await filesOfDrop(drop(folder([file('/bag/bagit.txt'), inner, folder([])]), file('/letter.pdf')))
    expect(files.map((f) => f.path)).toEqual([
      'bag/bagit.txt',
      'bag/data/a/1.jpg',
      'bag/data/a/2.jpg',
      'bag/data/a/3.jpg',
      'bag/data/a/4.jpg',
      'bag/data/a/5.jpg',
      'letter.pdf',
    ])
  })
  it('is nothing where text was dropped', async () => {
    expect(await filesOfDrop(drop(null))).toEqual([])
  })
  it('fails where a file cannot be opened', async () => {
    const gone = {
      isFile: true,
      fullPath: '/gone',
      file: (_: unknown, fail: (e: Error) => void) => fail(new Error('gone')),
    } as unknown as FileSystemEntry
    await expect(filesOfDrop(drop(gone))).rejects.toThrow('gone')
  })
})

describe('what is chosen', () => {
  it('has the path within the folder, or its name', () => {
    const inFolder = new File(['x'], 'a.jpg')
    Object.defineProperty(inFolder, 'webkitRelativePath', { value: 'bag/data/a.jpg' })
    const list = [inFolder, new File(['x'], 'b.jpg')] as unknown as FileList
    expect(filesOfInput(list).map((f) => f.path)).toEqual(['bag/data/a.jpg', 'b.jpg'])
  })
})
