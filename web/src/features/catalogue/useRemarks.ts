import { api } from '@/api/client'
import { useAction, type Action } from '@/api/action'
import { offerUndo } from '@/api/undo'
import type { CatalogueLine } from '@/api/types'
import { doneWords, type Remarking } from './remarks'

export interface Remarks {
  readonly action: Action
  /** Remarks on a line, or on all that are chosen; can be undone. @returns whether it went through */
  say: (on: CatalogueLine | 'chosen', what: Remarking) => Promise<boolean>
}

/** What the lab says of a case's findings. */
export function useRemarks(number: () => string): Remarks {
  const action = useAction()
  return {
    action,
    say: (on, what) =>
      action.run(async () => {
        const path = { number: number() }
        const line = on === 'chosen' ? undefined : on
        const done = await api.post('/api/cases/{number}/catalogue/remarks', {
          path,
          body: { lines: line ? [line.id] : [], chosen: !line, ...what },
        })
        if (done.before.length)
          offerUndo(
            doneWords(what, done.before.length, line),
            () => api.put('/api/cases/{number}/catalogue/remarks', { path, body: done }),
            { quiet: line !== undefined },
          )
      }),
  }
}
