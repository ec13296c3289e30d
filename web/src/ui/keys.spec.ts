// @vitest-environment happy-dom
import { effectScope, ref } from 'vue'
import { describe, expect, it, vi } from 'vitest'
import { handleKey, keyName, shownKeys, useKeys } from './keys'

function press(key: string, target: HTMLElement = document.body, more: KeyboardEventInit = {}): KeyboardEvent {
  const event = new KeyboardEvent('keydown', { key, cancelable: true, bubbles: true, ...more })
  Object.defineProperty(event, 'target', { value: target })
  handleKey(event)
  return event
}

describe('the keys of a screen', () => {
  it('work while the screen is there, and no longer', () => {
    const run = vi.fn()
    const scope = effectScope()
    scope.run(() => useKeys([{ key: 'N', does: 'new', run }]))
    expect(press('n').defaultPrevented).toBe(true)
    expect(run).toHaveBeenCalledOnce()
    scope.stop()
    press('n')
    expect(run).toHaveBeenCalledOnce()
    expect(shownKeys.value).toHaveLength(0)
  })
  it("leave fields and the browser's own shortcuts alone", () => {
    const run = vi.fn()
    const scope = effectScope()
    scope.run(() => useKeys([{ key: 'D', does: 'decide', run }]))
    press('d', document.createElement('input'))
    press('d', document.body, { ctrlKey: true })
    expect(run).not.toHaveBeenCalled()
    scope.stop()
  })
  it('win over those of the frame around it', () => {
    const frame = vi.fn()
    const screen = vi.fn()
    const scope = effectScope()
    scope.run(() => useKeys([{ key: 'U', does: 'undo', run: frame }]))
    scope.run(() => useKeys([{ key: 'U', does: 'undo the selection', run: screen }]))
    press('u')
    expect(screen).toHaveBeenCalledOnce()
    expect(frame).not.toHaveBeenCalled()
    scope.stop()
  })
  it('do nothing, and are not listed, while nothing is there to do', () => {
    const run = vi.fn()
    const there = ref<string>()
    const scope = effectScope()
    scope.run(() => useKeys([{ key: 'U', does: () => there.value, run }]))
    expect(press('u').defaultPrevented).toBe(false)
    expect(shownKeys.value).toHaveLength(0)
    there.value = 'undo: BR-1 is on hold.'
    expect(shownKeys.value.map((k) => k.does)).toEqual(['undo: BR-1 is on hold.'])
    press('u')
    expect(run).toHaveBeenCalledOnce()
    scope.stop()
  })
  it('are listed once, as the screen takes them', () => {
    const scope = effectScope()
    scope.run(() => useKeys([{ key: 'U', does: 'undo', run: vi.fn() }]))
    scope.run(() => useKeys([{ key: 'U', does: 'undo the selection', run: vi.fn() }]))
    expect(shownKeys.value.map((k) => k.does)).toEqual(['undo the selection'])
    scope.stop()
  })
  it('are pressed with Alt where people type, and only so', () => {
    const run = vi.fn()
    const scope = effectScope()
    scope.run(() => useKeys([{ key: 'Alt W', does: 'wanted line', run }]))
    press('w')
    press('w', document.createElement('input'))
    expect(run).not.toHaveBeenCalled()
    press('w', document.createElement('input'), { altKey: true })
    expect(run).toHaveBeenCalledOnce()
    scope.stop()
  })
  it('are named as on a keyboard', () => {
    expect([keyName(' '), keyName('ArrowLeft'), keyName('X')]).toEqual(['Space', '←', 'X'])
  })
})
