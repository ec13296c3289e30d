import { expect, it } from 'vitest'
import type { ImagingView } from '@/api/types'
import { elsewhereWords } from './progress'

const session = (more: Partial<ImagingView>): ImagingView =>
  ({
    elsewhere: 'Salt works',
    state: 'done',
    size: 1 << 20,
    readBytes: 1 << 20,
    failedBytes: 0,
    failedPlaces: 0,
    endedEarly: false,
    ...more,
  }) as ImagingView

it('tells what another lab read, as that lab said, and never that it is here', () => {
  expect(elsewhereWords(session({}))).toBe('Salt works: 1.00 MiB of 1.00 MiB read; done.')
  expect(elsewhereWords(session({ readBytes: 1 << 19, failedBytes: 512, failedPlaces: 1, endedEarly: true }))).toBe(
    'Salt works: 512 KiB of 1.00 MiB read, 512 bytes in 1 place did not read; ended early.',
  )
  expect(elsewhereWords(session({ state: 'stopped' }))).toContain('not ended when the case was packed')
})
