// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { ImagingView } from '@/api/types'
import CopyNote from './CopyNote.vue'

const note = (files: Partial<NonNullable<ImagingView['files']>>) =>
  mount(CopyNote, {
    props: {
      session: { size: 50 << 20 } as ImagingView,
      files: { reason: 'A dead machine.', leftOut: [], ...files },
    },
  })

describe('a straight copy', () => {
  it('does not say how many files there are before the records are read', () => {
    expect(note({}).text()).toContain('not known yet')
    expect(
      note({ count: 1, inAll: 3 << 20 })
        .text()
        .replace(/\s+/g, ' '),
    ).toContain('1 file is listed; with the records that is 3.00 MiB')
  })
  it('names what it leaves out', () => {
    expect(note({ leftOut: ['Volume 1 (swap): holds no files.'] }).text()).toContain('Not copied: Volume 1 (swap)')
  })
})
