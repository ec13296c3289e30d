// @vitest-environment happy-dom
import { mount, RouterLinkStub } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Docket } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import LabsWork from './LabsWork.vue'

const server = fakeServer()
const state = { lab: 'Our lab', fingerprint: 'ab12'.repeat(16), packings: [] as object[], elsewhere: [] as object[] }

async function shown(number: string, more: object, look: string, wish: string) {
  server.answer(`GET /api/cases/${number}/labs`, { ...state, ...more })
  const page = mount(LabsWork, {
    props: { docket: { number, consent: { look } } as Docket },
    global: { stubs: { RouterLink: RouterLinkStub } },
  })
  await until(() => expect(page.text()).toContain(wish))
  return page
}

it('packs a case once it is said for whom and why', async () => {
  const page = await shown('BR-2612-0001', {}, 'names', 'No other lab has had this case')
  expect(page.text()).toContain('names alone')
  const submit = page.find('button[type=submit]')
  expect(submit.attributes('disabled')).toBeDefined()
  await page.find('#pack-for').setValue('Salt works')
  await page.find('#pack-why').setValue('heads')
  server.answer('POST /api/cases/BR-2612-0001/labs/packings', {})
  await page.find('form').trigger('submit')
  await until(() => expect(server.changes()[0]).toMatchObject({ body: { forLab: 'Salt works', why: 'heads' } }))
})
it('packs one after the other, and lets a packed one be taken out', async () => {
  const packings = [
    {
      id: 2,
      state: 'running',
      forLab: 'Salt works',
      why: 'x',
      bytes: 0,
      who: 'Una',
      startedAt: '2026-12-01T10:00:00Z',
    },
    {
      id: 1,
      state: 'done',
      forLab: 'Salt works',
      why: 'x',
      bytes: 2048,
      sha256: 'ab12'.repeat(16),
      who: 'Una',
      startedAt: '2026-12-01T09:00:00Z',
    },
  ]
  const page = await shown('BR-2612-0002', { packings }, 'previews', 'It is being packed.')
  expect(page.findAll('a[download]').map((a) => a.attributes('href'))).toEqual(['/api/packings/1/file'])
  await page.find('#pack-for').setValue('Salt works')
  await page.find('#pack-why').setValue('again')
  expect(page.find('button[type=submit]').attributes('disabled')).toBeDefined()
})
it('shows another lab’s record as it came, and where it is torn', async () => {
  const entry = { number: 1, caseNumber: 'BR-9', at: '2026-12-01T10:00:00Z', who: 'Tom', what: 'logged the case' }
  const elsewhere = [
    {
      lab: 'Salt works',
      fingerprint: 'cd34'.repeat(16),
      number: 'BR-9',
      cameAt: '2026-12-01T11:00:00Z',
      entries: [{ ...entry, detail: '', previous: '0'.repeat(64), hash: 'ef'.repeat(32) }],
      tears: [{ after: 1, words: 'Entry 2 is missing.' }],
    },
  ]
  const page = await shown('BR-2612-0003', { elsewhere }, 'names', 'Their record is torn')
  expect(page.text()).toContain('logged the case')
  expect(page.find('[role=alert]').text()).toContain('Entry 2 is missing.')
})
