// @vitest-environment happy-dom
import { computed, ref } from 'vue'
import { expect, it } from 'vitest'
import type { CaseForm } from '@/api/types'
import { emptyForm } from '@/features/cases'
import { fakeServer } from '@/testing/server'
import { useSaving } from './useSaving'

const server = fakeServer()
const CASE = 'PUT /api/cases/BR-1'
const theirDocket = { ...emptyForm(), story: 'theirs', version: 4, number: 'BR-1' }

function saving(number?: string) {
  const form = ref<CaseForm>({ ...emptyForm(), story: 'mine', version: 3 })
  const logged: string[] = []
  const used = useSaving(
    form,
    computed(() => number),
    async (n) => void logged.push(n),
  )
  return { form, logged, ...used }
}

it('logs a new case and leads on to its number', async () => {
  server.answer('POST /api/cases', { number: 'BR-7' })
  const it = saving()
  await it.log()
  expect(it.logged).toEqual(['BR-7'])
  expect(server.changes()).toMatchObject([{ what: 'POST /api/cases', body: { story: 'mine' } }])
})
it('shows what somebody else saved meanwhile, and saves over it only when told to', async () => {
  server.refuse(CASE, 409, 'Somebody else changed BR-1.')
  server.answer('GET /api/cases/BR-1', theirDocket)
  const it = saving('BR-1')
  await it.log()
  expect(it.logged).toEqual([])
  expect(it.theirs.value?.story).toBe('theirs')
  server.answer(CASE, { number: 'BR-1' })
  await it.saveOver()
  expect(it.theirs.value).toBeUndefined()
  expect(server.changes().at(-1)).toMatchObject({ what: CASE, body: { story: 'mine', version: 4 } })
  expect(it.logged).toEqual(['BR-1'])
})
it('goes on with theirs, and forgets the refusal', async () => {
  server.refuse(CASE, 409, 'Somebody else changed BR-1.')
  server.answer('GET /api/cases/BR-1', theirDocket)
  const it = saving('BR-1')
  await it.log()
  it.take(it.theirs.value!)
  expect(it.form.value.story).toBe('theirs')
  expect(it.saving.refused.value).toBeUndefined()
  expect(it.theirs.value).toBeUndefined()
})
it('says what else is refused, and fetches nothing for it', async () => {
  server.refuse('POST /api/cases', 400, 'A device has a type.')
  const it = saving()
  await it.log()
  expect(it.saving.refused.value?.message).toBe('A device has a type.')
  expect(server.sent).toHaveLength(1)
})
