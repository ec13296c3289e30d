// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import PageSteps from './PageSteps.vue'
import { stretchOf } from './pages'

const shown = (page: number, total: number) =>
  mount(PageSteps, { props: { of: { page, size: 200, total }, label: 'Pages of tapes' } })

describe('the pages of a list', () => {
  it('are not spoken of while one is enough', () => {
    expect(shown(0, 200).find('nav').exists()).toBe(false)
  })
  it('say what is shown and lead on, not past the ends', async () => {
    const first = shown(0, 434)
    expect(first.find('[role=status]').text().replace(/\s+/g, ' ')).toBe('1–200 of 434')
    expect(first.find('[aria-label="Page before"]').attributes('disabled')).toBeDefined()
    await first.find('[aria-label="Page after"]').trigger('click')
    expect(first.emitted('go')).toEqual([[1]])
    const last = shown(2, 434)
    expect(last.find('[role=status]').text().replace(/\s+/g, ' ')).toBe('401–434 of 434')
    expect(last.find('[aria-label="Page after"]').attributes('disabled')).toBeDefined()
  })
  it('count from one, and nothing of nothing', () => {
    expect(stretchOf({ page: 0, size: 10, total: 0 })).toEqual({ first: 0, last: 0 })
    expect(stretchOf({ page: 1, size: 10, total: 20 })).toEqual({ first: 11, last: 20 })
  })
})
