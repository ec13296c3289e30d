// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import ChoiceRow from './ChoiceRow.vue'

function row() {
  const wrapper = mount(ChoiceRow, {
    props: {
      label: 'Noise',
      ask: 'Does it make a noise?',
      values: ['none', 'clicking', 'scratching'],
      isOn: () => false,
    },
    attachTo: document.body,
  })
  const press = (key: string) =>
    wrapper.find('.opt').element.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
  return { wrapper, press }
}

describe('a row of choices', () => {
  it('is answered by letter where the keyboard led', () => {
    const { wrapper, press } = row()
    wrapper.vm.focus()
    press('s')
    expect(wrapper.emitted('toggle')).toEqual([['scratching']])
    wrapper.unmount()
  })
  it('takes one letter, and none where the row was only tabbed into', () => {
    const { wrapper, press } = row()
    ;(wrapper.find('.opt').element as HTMLElement).focus()
    press('s')
    expect(wrapper.emitted('toggle')).toBeUndefined()
    wrapper.vm.focus()
    for (const letter of 'csn') press(letter)
    expect(wrapper.emitted('toggle')).toEqual([['clicking']])
    wrapper.unmount()
  })
  it('leaves letters to the screen after a click', async () => {
    const { wrapper, press } = row()
    const option = wrapper.find('.opt')
    await option.trigger('pointerdown')
    ;(option.element as HTMLElement).focus()
    await option.trigger('click')
    press('s')
    expect(wrapper.emitted('toggle')).toEqual([['none']])
    wrapper.unmount()
  })
  it('does not take back what came on by itself under the hand', async () => {
    vi.useFakeTimers()
    const { wrapper } = row()
    const click = () => wrapper.findAll('.opt')[1]!.trigger('click')
    await wrapper.setProps({ isOn: (v: string) => v === 'clicking' })
    await click()
    expect(wrapper.emitted('toggle')).toBeUndefined()
    vi.advanceTimersByTime(800)
    await click()
    expect(wrapper.emitted('toggle')).toEqual([['clicking']])
    wrapper.unmount()
    vi.useRealTimers()
  })
  it('takes back at once what the same hand chose', async () => {
    const { wrapper } = row()
    const click = () => wrapper.findAll('.opt')[1]!.trigger('click')
    await click()
    await wrapper.setProps({ isOn: (v: string) => v === 'clicking' })
    await click()
    expect(wrapper.emitted('toggle')).toEqual([['clicking'], ['clicking']])
    wrapper.unmount()
  })
  it('says what is chosen to who cannot see it', () => {
    const { wrapper } = row()
    expect(wrapper.find('[role=group]').attributes('aria-label')).toBe('Noise: Does it make a noise?')
    expect(wrapper.findAll('.opt').map((o) => o.attributes('aria-label'))).toEqual([
      'none',
      'clicking',
      'scratching',
      'unknown',
    ])
    wrapper.unmount()
  })
})
