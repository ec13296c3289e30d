import { api } from '@/api/client'
import { offerUndo } from '@/api/undo'
import type { Decision, DeskAction, Docket } from '@/api/types'
import { words } from '@/format/format'

const DAY_MS = 86_400_000
const WEEK = 7

/** A day from now, as a date field has it. */
export function daysFromNow(days: number, now = Date.now()): string {
  return new Date(now + days * DAY_MS).toISOString().slice(0, 10)
}

/** Does what a button of the queue says, and offers to undo it where that is possible. */
export async function act(decision: Decision, action: DeskAction): Promise<void> {
  const number = decision.caseNumber
  const of = `/api/cases/${number}`
  switch (action.code) {
    case 'decide': {
      const docket = await api.get<Docket>(of)
      await api.post(`${of}/triage/decision`, { path: action.argument, reason: '', version: docket.version })
      offerUndo(`${number}: ${words(action.argument)} was decided.`, () => api.post(`${of}/triage/undo`))
      break
    }
    case 'resume': {
      await api.post(`/api/imaging/${action.argument}/resume`)
      offerUndo(`${number}: reading goes on.`, () => api.post(`/api/imaging/${action.argument}/pause`))
      break
    }
    case 'enough': {
      await api.post(`/api/imaging/${action.argument}/enough`)
      break
    }
    case 'work': {
      await api.post(`/api/imaging/${action.argument}/work`)
      offerUndo(`${number}: reading goes on.`, () => api.post(`/api/imaging/${action.argument}/rest`))
      break
    }
    case 'scan': {
      const scan = await api.post<{ id: number }>(`${of}/scans`, { method: action.argument })
      offerUndo(`${number}: the scan has begun.`, () => api.post(`/api/scans/${scan.id}/stop`))
      break
    }
    case 'wake': {
      const before = await api.get<Docket>(of)
      await api.post(`${of}/wake`)
      offerUndo(`${number} was taken up again.`, () =>
        api.post(`${of}/hold`, { reason: before.hold?.reason ?? action.argument, until: daysFromNow(1) }),
      )
      break
    }
    case 'hold-week': {
      await api.post(`${of}/hold`, { reason: action.argument, until: daysFromNow(WEEK) })
      offerUndo(`${number} waits a week more.`, () => api.post(`${of}/wake`))
      break
    }
    case 'seen': {
      await api.post(`/api/mentions/${action.argument}/seen`)
      offerUndo('The note was marked as seen.', () => api.delete(`/api/mentions/${action.argument}/seen`))
      break
    }
    case 'retry-mail': {
      await api.post(`/api/outbox/${action.argument}/retry`)
      offerUndo('The message is tried again.', () => api.post(`/api/outbox/${action.argument}/cancel`))
      break
    }
    default:
      throw new Error(`there is no action ${action.code}`)
  }
}
