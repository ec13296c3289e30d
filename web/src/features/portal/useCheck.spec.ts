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
  it('takes a second drop in place of a first that differed', async () => {
    const check = useCheck(() => lines)
    await check.add([file('act 2.txt', 'torn')])
    expect(check.sum.value.differs).toBe(1)
    await check.add([file('act 2.txt', content)])
    expect(check.sum.value).toEqual({ equal: 1, differs: 0, checked: 1, waiting: 1 })
  })
})
