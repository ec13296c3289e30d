// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { useUndo } from '@/api/undo'
import { fakeServer, until } from '@/testing/server'
import GiveDevice from './GiveDevice.vue'

const server = fakeServer()
const give = () => mount(GiveDevice, { props: { number: 'BR-1', device: { id: 9, position: 3, slot: 2 } } })

it('gives a device to another case with a reason, and takes it back from there', async () => {
  const shown = give()
  const [to, reason] = shown.findAll('input')
  await to!.setValue(' br-2 ')
  expect(shown.find('button').attributes('disabled')).toBeDefined()
  await reason!.setValue('it is the neighbour’s')
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.emitted('given')).toHaveLength(1))
  expect(server.sent.at(-1)).toEqual({
    what: 'POST /api/cases/BR-1/devices/9/move',
    body: { to: 'BR-2', reason: 'it is the neighbour’s' },
  })
  await useUndo().undo(useUndo().newest.value)
  expect(server.sent.at(-1)).toMatchObject({ what: 'POST /api/cases/BR-2/devices/9/move', body: { to: 'BR-1' } })
})
it('keeps what was typed when it is refused', async () => {
  server.refuse('POST /api/cases/BR-1/devices/9/move', 409, 'It is attached, so slot 2 stays.')
  const shown = give()
  for (const input of shown.findAll('input')) await input.setValue('BR-2')
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.text()).toContain('slot 2 stays'))
  expect(shown.find('input').element.value).toBe('BR-2')
})
