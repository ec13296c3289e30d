// @vitest-environment happy-dom
import { expect, it } from 'vitest'
import { tellWhole } from './whole'

function pointedAt(style: string, wide: number, title = ''): HTMLElement {
  const el = document.createElement('span')
  el.setAttribute('style', style)
  if (title) el.title = title
  el.textContent = ' Gannet Head\n  Lighthouse Museum '
  Object.defineProperty(el, 'scrollWidth', { value: wide })
  Object.defineProperty(el, 'clientWidth', { value: 90 })
  document.body.append(el)
  el.addEventListener('pointerover', tellWhole)
  el.dispatchEvent(new Event('pointerover'))
  return el
}

it('says the whole of what is shortened, and only of that', () => {
  expect(pointedAt('text-overflow: ellipsis', 200).title).toBe('Gannet Head Lighthouse Museum')
  expect(pointedAt('text-overflow: ellipsis', 90).title).toBe('')
  expect(pointedAt('', 200).title).toBe('')
  expect(pointedAt('text-overflow: ellipsis', 200, 'its own').title).toBe('its own')
})
