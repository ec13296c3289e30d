// @vitest-environment happy-dom
import { afterEach, describe, expect, it } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import { useEdited } from './useEdited'

const within = <T>(make: () => T): T => effectScope().run(make)!

describe('settings that were edited', () => {
  afterEach(() => sessionStorage.clear())

  it('follow what is in force until somebody edits', async () => {
    const server = ref({ hours: 4 })
    const { value, changed } = within(() =>
      useEdited(
        () => 'clocks',
        () => server.value,
      ),
    )
    server.value = { hours: 8 }
    await nextTick()
    expect(value.value).toEqual({ hours: 8 })
    value.value.hours = 5
    await nextTick()
    server.value = { hours: 12 }
    await nextTick()
    expect(value.value).toEqual({ hours: 5 })
    expect(changed.value).toBe(true)
  })
  it('are there again when the page is', async () => {
    const make = () =>
      within(() =>
        useEdited(
          () => 'clocks',
          () => ({ hours: 4 }),
        ),
      )
    make().value.value.hours = 6
    await nextTick()
    const again = make()
    expect(again.value.value).toEqual({ hours: 6 })
    again.putBack()
    expect(again.value.value).toEqual({ hours: 4 })
    expect(make().changed.value).toBe(false)
  })
  it('keep each form to itself', async () => {
    const code = ref('received')
    const letters: Record<string, string> = { received: 'a', decided: 'b' }
    const { value } = within(() =>
      useEdited(
        () => code.value,
        () => ({ body: letters[code.value]! }),
      ),
    )
    value.value.body = 'a, edited'
    await nextTick()
    code.value = 'decided'
    await nextTick()
    expect(value.value.body).toBe('b')
    code.value = 'received'
    await nextTick()
    expect(value.value.body).toBe('a, edited')
  })
  it('are not kept any more once they are saved', async () => {
    const edited = within(() =>
      useEdited(
        () => 'clocks',
        () => ({ hours: 4 }),
      ),
    )
    edited.value.value.hours = 6
    await nextTick()
    edited.saved()
    expect(
      within(() =>
        useEdited(
          () => 'clocks',
          () => ({ hours: 6 }),
        ),
      ).changed.value,
    ).toBe(false)
  })
})
