// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { CaseBench, Docket } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import StartImaging from './StartImaging.vue'

const server = fakeServer()
const MIB = 1048576
const profile = {
  code: 'healthy',
  words: '',
  blockBytes: 65536,
  limits: { faultsInRow: 64, faultsInAll: 0, celsius: 60, growth: 0, minutes: 0 },
}
const attachment = { id: 2, medium: 'sim/card', identity: { serial: 'S-1', size: 16 * MIB }, matched: true, who: 'Una' }
const panel = (earlier?: object, healthAwaited = false, path = 'image-then-scan') =>
  mount(StartImaging, {
    props: {
      docket: { number: 'BR-1', path, devices: [] } as unknown as Docket,
      bench: {
        profiles: [profile],
        advice: { profile: 'healthy', why: '' },
        healthAwaited,
        earlier,
      } as unknown as CaseBench,
      attachment: attachment as unknown as NonNullable<CaseBench['attachment']>,
    },
    global: { stubs: { HealthPanel: true } },
  })
const primary = (shown: ReturnType<typeof panel>) => shown.find('.btn-primary')

describe('a device that is to be read', () => {
  it('is read from its beginning when nobody read it yet', async () => {
    const shown = panel()
    expect(primary(shown).text()).toBe('Start imaging')
    await primary(shown).trigger('click')
    await until(() => expect(shown.emitted('started')).toHaveLength(1))
    expect(server.changes()).toEqual([
      { what: 'POST /api/cases/BR-1/imaging', body: { profile: 'healthy', mibPerSecond: 0 } },
    ])
  })
  it('gets no profile proposed before it said how it is, and is read with one that a person chose', async () => {
    const shown = panel(undefined, true)
    expect(shown.find('.prop').exists()).toBe(false)
    expect(shown.text()).toContain('Asking the device how it is')
    expect(primary(shown).attributes('disabled')).toBeDefined()
    await shown.find('input[type=radio]').trigger('change')
    expect(primary(shown).attributes('disabled')).toBeUndefined()
  })
  it('is read on from where an earlier session ended', () => {
    const shown = panel({ session: 3, state: 'done', left: 2 * MIB, failed: 0, size: 16 * MIB })
    expect(shown.text()).toContain('Session 3 has read 87.5 %')
    expect(primary(shown).text()).toBe('Read on, 2.00 MiB left')
  })
  it('is read afresh only with a reason', async () => {
    const shown = panel({ session: 3, state: 'done', left: 0, failed: 0, size: 16 * MIB })
    expect(primary(shown).exists()).toBe(false)
    await shown.find('#afresh').setValue('the cable was bad')
    await shown.findAll('button').at(-1)!.trigger('click')
    await until(() => expect(shown.emitted('started')).toHaveLength(1))
    expect(server.changes()[0]?.body).toMatchObject({ afresh: 'the cable was bad' })
  })
  it('goes on in the session that is paused', async () => {
    const shown = panel({ session: 3, state: 'paused', left: MIB, failed: 0, size: 16 * MIB })
    expect(primary(shown).text()).toBe('Resume session 3, 1.00 MiB left')
    await primary(shown).trigger('click')
    await until(() => expect(shown.emitted('started')).toHaveLength(1))
    expect(server.changes()[0]?.what).toBe('POST /api/imaging/3/resume')
  })
  it('is copied file by file where that was decided on, for a reason', async () => {
    const shown = panel(undefined, false, 'straight-copy')
    expect(primary(shown).text()).toBe('Start copying')
    expect(primary(shown).attributes('disabled')).toBeDefined()
    await shown.find('#why-files').setValue('a dead machine ')
    await primary(shown).trigger('click')
    await until(() => expect(shown.emitted('started')).toHaveLength(1))
    expect(server.changes()).toEqual([
      {
        what: 'POST /api/cases/BR-1/imaging',
        body: { profile: 'healthy', mibPerSecond: 0, files: 'a dead machine' },
      },
    ])
    await shown.find('input[name=much]:not(:checked)').setValue()
    expect(primary(shown).text()).toBe('Start imaging')
  })
  it('that was read before is not copied straight as well', () => {
    const earlier = { session: 3, state: 'done', left: 2 * MIB, failed: 0, size: 16 * MIB }
    expect(panel(earlier, false, 'straight-copy').find('#why-files').exists()).toBe(false)
  })
})
