<script setup lang="ts">
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { Account, Role } from '@/api/types'
import { day, dayAndTime } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { ROLES, ROLE_WORDS, withWhat } from './words'

const props = defineProps<{
  /** Whose it is, and how it stands. */
  account: Account
  /** The manager's own, which is another manager's to change. */
  own: boolean
}>()
const emit = defineEmits<{ /** It stands otherwise now. */ changed: [] }>()
const path = computed(() => ({ path: { login: props.account.login } }))
const action = useAction()
const said = ref('')
const link = ref<{ address: string; until: string }>()

async function run(work: () => Promise<unknown>, done: string): Promise<void> {
  said.value = ''
  if (await action.run(work)) said.value = done
  emit('changed')
}
const changeRole = (role: unknown) =>
  run(
    () => api.put('/api/staff/{login}/role', { ...path.value, body: { role: role as Role } }),
    `Now ${ROLE_WORDS[role as Role]}.`,
  )
const openOrClose = (open: boolean) =>
  run(
    () => api.put('/api/staff/{login}/account', { ...path.value, body: { open } }),
    open ? 'Open again.' : 'Closed; their sessions are over.',
  )
const endSessions = () => run(() => api.delete('/api/staff/{login}/sessions', path.value), 'Their sessions are over.')
const forgetFactors = () =>
  run(() => api.delete('/api/staff/{login}/factors', path.value), 'They sign in with the password alone now.')
const makeLink = () =>
  run(async () => {
    const made = await api.post('/api/staff/{login}/reset-link', path.value)
    link.value = { address: location.origin + made.path, until: made.until }
  }, '')
</script>

<template>
  <tr>
    <td>{{ account.name }}</td>
    <td class="m">{{ account.login }}</td>
    <td>
      <template v-if="own">{{ ROLE_WORDS[account.role] }}</template><BFormSelect
        v-else
        :model-value="account.role"
        :options="ROLES"
        size="sm"
        :aria-label="`Role of ${account.name}`"
        :disabled="action.busy.value"
        @update:model-value="changeRole"
      />
    </td>
    <td>{{ withWhat(account) }}</td>
    <td>
      <span v-if="account.disabledAt" class="c-stop">closed {{ day(account.disabledAt) }}</span>
      <span v-else>open</span>
      <details v-if="!own">
        <summary class="xs">Change</summary>
        <p class="acts">
          <BButton v-if="account.disabledAt" class="btn-quiet btn-sm" @click="openOrClose(true)">Open again</BButton>
          <template v-else>
            <BButton class="btn-quiet btn-sm" @click="makeLink">Link for a new password</BButton>
            <BButton class="btn-quiet btn-sm" @click="endSessions">End their sessions</BButton>
            <BButton
              v-if="account.codes || account.passkeys"
              class="btn-quiet btn-sm"
              title="Where what they sign in with is lost"
              @click="forgetFactors"
              >Take codes and passkeys away</BButton
            >
            <BButton class="btn-quiet btn-sm" @click="openOrClose(false)">Close the account</BButton>
          </template>
        </p>
        <p v-if="link" class="s" role="status">
          Give them this, by a way that only they read: <span class="m brk">{{ link.address }}</span><br />It works
          once, until {{ dayAndTime(link.until) }}, and is not shown again.
        </p>
      </details>
      <RefusedNote :refused="action.refused.value" />
      <p v-if="said" class="xs c-ok" role="status">{{ said }}</p>
    </td>
  </tr>
</template>

<style scoped>
td {
  vertical-align: top;
}
select {
  min-width: 136px;
  max-width: 180px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 6px 0;
}
.brk {
  word-break: break-all;
}
</style>
