import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api } from '@/api/client'
import { disconnect } from '@/api/live'
import { forgetUndo } from '@/api/undo'
import type { Session } from '@/api/types'
import { answerByPasskey } from '@/api/passkey'
import { useZone } from '@/ui/format/format'

/** Who is signed in. */
export const useSession = defineStore('session', () => {
  const session = ref<Session>()

  function take(found: Session): void {
    session.value = found
    useZone(found.zone)
  }

  return {
    person: computed(() => session.value?.person),
    /** The lab wants a second factor of the person before anything else. */
    lacking: computed(() => session.value?.lacking === true),
    /** Passkeys hold by this name of the lab alone. */
    host: computed(() => session.value?.host),
    lab: computed(() => session.value?.lab ?? 'Brantel'),
    async load() {
      if (!session.value) take(await api.get('/api/session'))
    },
    async signIn(login: string, password: string, code?: string) {
      take(await api.post('/api/session', { body: { login, password, code } }))
    },
    async signInByPasskey() {
      const { question } = await api.post('/api/session/passkey/question')
      take(await api.post('/api/session/passkey', { body: { answer: await answerByPasskey(question) } }))
    },
    async reload() {
      take(await api.get('/api/session'))
    },
    async signOut() {
      await api.delete('/api/session')
      disconnect()
      forgetUndo()
      session.value = undefined
    },
    forget() {
      disconnect()
      forgetUndo()
      session.value = undefined
    },
  }
})
