import { onScopeDispose, reactive, readonly } from 'vue'

/** The keys of the screen at hand: pressed anywhere but in a field, listed at the foot and under `?`. */
export interface Key {
  /** As `KeyboardEvent.key` gives it. */
  key: string
  /** What it does, in a word or two. */
  does: string
  run: () => void
}

const keys = reactive<Key[]>([])

export const shownKeys = readonly(keys)

export function useKeys(own: Key[]): void {
  keys.push(...own)
  onScopeDispose(() =>
    own.forEach((k) =>
      keys.splice(
        keys.findIndex((x) => x.key === k.key && x.does === k.does),
        1,
      ),
    ),
  )
}

const NAMES: Record<string, string> = { ' ': 'Space', ArrowLeft: '←', ArrowRight: '→', ArrowUp: '↑', ArrowDown: '↓' }

/** A key as it is printed on a keyboard. */
export function keyName(key: string): string {
  return NAMES[key] ?? key
}

function inField(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
  )
}

export function handleKey(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey || inField(event.target)) return
  if (event.key === ' ' && event.target instanceof HTMLButtonElement) return
  // The screen's own keys come after the frame's, and win.
  const key = [...keys].reverse().find((k) => k.key.toLowerCase() === event.key.toLowerCase())
  if (!key) return
  event.preventDefault()
  key.run()
}
