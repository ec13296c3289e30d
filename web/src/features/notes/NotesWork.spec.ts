// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Docket } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import NotesWork from './NotesWork.vue'

const server = fakeServer()
const NOTES = '/api/cases/BR-2611-0007/notes'
function shown() {
  server.answer(`GET ${NOTES}`, [
    { id: 1, kind: 'call', words: '@tom asks for the key', who: 'Una Farrow', at: '2026-11-24T10:00:00Z' },
  ])
  server.answer('GET /api/staff', [{ login: 'tom', name: 'Tom Gale', role: 'ENGINEER' }])
  return mount(NotesWork, { props: { docket: { number: 'BR-2611-0007' } as Docket } })
}

it('writes down what was said, and tells whom it names', async () => {
  const notes = shown()
  await until(() => expect(notes.text()).toContain('asks for the key'))
  await notes
    .findAll('.opt')
    .find((b) => b.text() === 'call')
    ?.trigger('click')
  await notes.find('textarea').setValue('Key is in the blue box.')
  await notes.find('.linkish').trigger('click')
  await notes.find('textarea').trigger('keydown', { key: 'Enter', ctrlKey: true })
  await until(() => expect(notes.find<HTMLTextAreaElement>('textarea').element.value).toBe(''))
  expect(server.changes()).toEqual([
    { what: `POST ${NOTES}`, body: { kind: 'call', words: 'Key is in the blue box. @tom ' } },
  ])
})
it('keeps the words when they were refused', async () => {
  server.refuse(`POST ${NOTES}`, 400, 'There is no @tam.')
  const notes = shown()
  await notes.find('textarea').setValue('@tam, look')
  await notes.find('form').trigger('submit')
  await until(() => expect(notes.text()).toContain('There is no @tam.'))
  expect(notes.find<HTMLTextAreaElement>('textarea').element.value).toBe('@tam, look')
})
