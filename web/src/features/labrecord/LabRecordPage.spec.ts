// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import type { LabRecord } from '@/api/types'
import { fakeServer, until } from '@/testing/server'
import LabRecordPage from './LabRecordPage.vue'

const server = fakeServer()
const told = (cases: number): LabRecord => ({
  from: '2026-05',
  to: '2026-06',
  past: {
    cases,
    how: cases ? [{ how: 'whole', cases }] : [],
    months: [
      { month: '2026-05', how: cases ? [{ how: 'whole', cases }] : [] },
      { month: '2026-06', how: [] },
    ],
    paths: cases ? [{ of: 'straight-copy', cases, few: true, how: [{ how: 'whole', cases }] }] : [],
    media: [],
    losses: [],
    stages: [],
    foretold: [],
  },
  now: [{ stage: 'imaging', cases: 2, longest: 9, days: { count: 2, low: 1, median: 5, high: 9 } }],
})

async function page(from: string, answer: LabRecord) {
  server.answer(`GET /api/lab-record?from=${from}&to=2026-06`, answer)
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/lab-record', component: LabRecordPage }],
  })
  await router.push(`/lab-record?from=${from}&to=2026-06`)
  const shown = mount(LabRecordPage, { global: { plugins: [router] } })
  await until(() => expect(shown.find('#h-stages').exists()).toBe(true))
  return shown
}

describe('the lab’s own record', () => {
  it('says of few cases how many they are, and no share', async () => {
    const shown = await page('2026-05', told(3))
    expect(shown.text()).toContain('3 whole, 0 partly, 0 nothing; too few to say how often')
    expect(shown.text()).not.toContain('100 %')
    expect(shown.text()).toContain('Now 2, the longest for 9 days')
    expect(shown.findAll('tbody tr')).toHaveLength(2)
  })
  it('says when nothing ended, and still where cases stand', async () => {
    const shown = await page('2026-04', told(0))
    expect(shown.text()).toContain('No case was closed or declined in these months')
    expect(shown.text()).toContain('none that ended stood there')
    expect(shown.text()).toContain('Nothing can be compared')
  })
})
