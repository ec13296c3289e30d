// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Carved, ScanReport, ScanView, Volume } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import NewSession from './NewSession.vue'

const server = fakeServer()
const SCANS = 'POST /api/cases/BR-1/scans'
const volume = (index: number, state: Volume['state'] = 'live') => ({ index, label: `v${index}`, state }) as Volume
const session = (sessions: number, volumes: Volume[] = [], image?: Carved) =>
  mount(NewSession, {
    props: {
      number: 'BR-1',
      device: 7,
      sessions: Array.from({ length: sessions }, (_, i) => ({ id: i }) as ScanView),
      report: { volumes } as unknown as ScanReport,
      image,
    },
  })

it('reads the records first, and the content, too, from the second session on', async () => {
  for (const [sessions, method, search] of [
    [0, 'structure', false],
    [1, 'both', true],
  ] as const) {
    const shown = session(sessions)
    await shown.find('form').trigger('submit')
    await until(() => expect(shown.emitted('started')).toHaveLength(1))
    expect(server.changes().at(-1)).toMatchObject({ what: SCANS, body: { device: 7, method, search, again: false } })
  }
})
it('offers volumes that can be read, where there are several', async () => {
  const shown = session(0, [volume(0), volume(1), volume(2, 'earlier')])
  expect(shown.findAll('option').map((o) => o.text())).toEqual(['the whole medium', 'v0', 'v1'])
  await shown.findAll('option')[2]!.setValue()
  await shown.find('form').trigger('submit')
  await until(() => expect(server.changes()).toHaveLength(1))
  expect(server.changes()[0]?.body).toMatchObject({ volume: 1 })
  expect(
    session(0, [volume(0)])
      .find('select')
      .exists(),
  ).toBe(false)
})
it('says what was carved before, and carves it again only when asked', async () => {
  const shown = session(2, [], { bytes: 3 << 20, of: 4 << 20 })
  await until(() => expect(shown.text()).toContain('are left'))
  await shown.findAll('input[type="checkbox"]')[0]!.setValue(true)
  await shown.find('form').trigger('submit')
  await until(() => expect(server.changes()).toHaveLength(1))
  expect(server.changes()[0]?.body).toMatchObject({ again: true, hashes: false })
})
it('shows why it was refused', async () => {
  server.refuse(SCANS, 409, 'BR-1 is being scanned already.')
  const shown = session(0)
  await shown.find('form').trigger('submit')
  await until(() => expect(shown.text()).toContain('BR-1 is being scanned already.'))
  expect(shown.emitted('started')).toBeUndefined()
})
