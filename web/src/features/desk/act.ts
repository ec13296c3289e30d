import { perform } from '@/api/client'
import type { ActionCall, DeskAction } from '@/api/types'
import { offerUndo } from '@/api/undo'

/** A path with the names in braces taken from an answer. */
export function filled(path: string, answer: unknown): string {
  return path.replace(/\{(\w+)\}/g, (_, name: string) => {
    const value = (answer as Record<string, unknown> | undefined)?.[name]
    if (typeof value !== 'string' && typeof value !== 'number') throw new Error(`the answer has no ${name} for ${path}`)
    return String(value)
  })
}

function request(call: ActionCall, answer?: unknown): Promise<unknown> {
  return perform(call, filled(call.path, answer))
}

/** Does what a button of the queue says, and offers to undo it where that is possible. */
export async function act(action: DeskAction): Promise<void> {
  if (!action.call) throw new Error(`"${action.label}" makes no request`)
  const answer = await request(action.call)
  const undo = action.undo
  if (undo) offerUndo(undo.words, () => request(undo.call, answer))
}
