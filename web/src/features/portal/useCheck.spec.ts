import { createHash } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import type { PortalFile } from '@/api/types'
import { useCheck } from './useCheck'

const content = 'the sea is a blue cloth'
const line = (number: number, path: string) =>
  ({
    number,
    name: path.split('/').at(-1),
    path,
    size: content.length,
    sha256: createHash('sha256').update(content).digest('hex'),
    delivered: 'whole',
    gapBytes: 0,
    fits: [],
    mayFit: [],
  }) as PortalFile
const lines = [line(1, 'data/Scripts/act 1.txt'), line(2, 'data/Scripts/act 2.txt')]
const file = (path: string, text: string) => ({ path, file: new File([text], path) })

describe('the check', () => {
  it('tells equal, different and unknown files apart', async () => {
    const check = useCheck(() => lines)
    await check.add([
      file('bag/data/Scripts/act 1.txt', content),
      file('bag/data/Scripts/act 2.txt', `${content}!`),
      file('bag/bagit.txt', ''),
      file('bag/holiday.txt', ''),
    ])
    expect(check.sum.value).toEqual({ equal: 1, differs: 1, checked: 2, waiting: 0 })
    expect(check.strangers.value).toEqual(['bag/holiday.txt'])
    expect(check.busy.value).toBe(false)
  })
  it('knows a file by its content, whatever it is called, and names what is missing', async () => {
    const other = {
      ...line(3, 'data/Scripts/act 3.txt'),
      sha256: createHash('sha256').update('the gale').digest('hex'),
    }
    const check = useCheck(() => [lines[0]!, other])
    expect(check.missing.value).toEqual([])
    await check.add([file('renamed on the phone.txt', 'the gale')])
    expect(check.sum.value).toEqual({ equal: 1, differs: 0, checked: 1, waiting: 1 })
    expect(check.missing.value.map((m) => m.name)).toEqual(['act 1.txt'])
    expect(check.strangers.value).toEqual([])
  })
  it('looks into a ZIP, and says when it cannot', async () => {
    const check = useCheck(() => lines)
    await expect(check.add([file('delivery.zip', 'torn off')])).rejects.toThrow('cut off')
    expect(check.sum.value.checked).toBe(0)
  })
  it('takes a second drop in place of a first that differed', async () => {
    const check = useCheck(() => lines)
    await check.add([file('act 2.txt', 'torn')])
    expect(check.sum.value.differs).toBe(1)
    await check.add([file('act 2.txt', content)])
    expect(check.sum.value).toEqual({ equal: 1, differs: 0, checked: 1, waiting: 1 })
  })
})
