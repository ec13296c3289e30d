import { computed, onScopeDispose, shallowReactive } from 'vue'

/** The keys of the screen at hand: pressed anywhere but in a field, listed at the foot and under `?`. */
export interface Key {
  /** As `KeyboardEvent.key` gives it; `Alt W` works in fields, too. */
  key: string
  /**
   * What it does, in a word or two; nothing for one more key that is not listed. Where that depends on what is shown, a
   * function says it: while it says nothing, the key does nothing.
   */
  does: string | (() => string | undefined)
  run: () => void
}

const keys = shallowReactive<Key[]>([])

const doesNow = (k: Key): string | undefined => (typeof k.does === 'string' ? k.does : k.does())

/** What the keys do just now. The screen's own come after the frame's and win, so a key is listed once. */
export const shownKeys = computed(() =>
  keys
    .map((k, i) => ({ key: k.key, does: doesNow(k), i }))
    .filter(({ key, does, i }) => does && !keys.slice(i + 1).some((k) => k.key === key && doesNow(k) !== undefined)),
)

export function useKeys(own: Key[]): void {
  keys.push(...own)
  onScopeDispose(() => own.forEach((k) => keys.splice(keys.indexOf(k), 1)))
}

const NAMES: Record<string, string> = {
  ' ': 'Space',
  ArrowLeft: '←',
  ArrowRight: '→',
  ArrowUp: '↑',
  ArrowDown: '↓',
  Backspace: '⌫',
}

/** A key as it is printed on a keyboard. */
export function keyName(key: string): string {
  return NAMES[key] ?? key
}

/** What presses a button that has the focus. */
const PRESS = [' ', 'Enter']

function inField(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
  )
}

export function handleKey(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || (!event.altKey && inField(event.target))) return
  if (PRESS.includes(event.key) && event.target instanceof HTMLElement && event.target.matches('button, a[href]'))
    return
  // The screen's own keys come after the frame's, and win.
  const pressed = `${event.altKey ? 'alt ' : ''}${event.key.toLowerCase()}`
  const key = [...keys].reverse().find((k) => k.key.toLowerCase() === pressed && doesNow(k) !== undefined)
  if (!key) return
  event.preventDefault()
  key.run()
}
