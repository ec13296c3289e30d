<script setup lang="ts">
import { Clock, Printer, UserRound } from 'lucide-vue-next'
import { BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, ref, useTemplateRef } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import { offerUndo } from '@/api/undo'
import type { Docket } from '@/api/types'
import { daysFromNow } from '@/ui/format/days'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useKeys } from '@/ui/keys'
import { peopleToChoose } from '@/features/staff'

const props = defineProps<{ /** The case. */ docket: Docket }>()
const emit = defineEmits<{ /** The case was held, taken up or given to somebody. */ changed: [] }>()

const WAIT_DAYS = 7
const open = ref<'hold' | 'hand' | 'print'>()
const reason = ref('')
const until = ref(daysFromNow(WAIT_DAYS))
const login = ref('')
const acting = useAction()
const labels = useTemplateRef<HTMLAnchorElement>('labels')
const people = useLive(
  '/api/staff',
  () => ({}),
  (what) => what === 'staff',
)
const colleagues = computed(() => [
  { value: '', text: 'to whom?' },
  ...peopleToChoose(people.data.value ?? []).filter((p) => p.value !== props.docket.owner.login),
])
const nameOf = (who: string) => people.data.value?.find((p) => p.login === who)?.name ?? who
const phone = computed(() => props.docket.customer.ways.find((w) => w.kind === 'phone')?.value)
const canHold = computed(() => !['closed', 'declined'].includes(props.docket.stage))
const path = computed(() => ({ number: props.docket.number }))

function toggle(what: 'hold' | 'hand' | 'print'): void {
  open.value = open.value === what ? undefined : what
  acting.clear()
}
async function hold(): Promise<void> {
  if (
    !(await acting.run(() =>
      api.post('/api/cases/{number}/hold', { path: path.value, body: { reason: reason.value, until: until.value } }),
    ))
  )
    return
  offerUndo(`${props.docket.number} is on hold.`, () => api.delete('/api/cases/{number}/hold', { path: path.value }))
  open.value = undefined
  emit('changed')
}
async function wake(): Promise<void> {
  const before = props.docket.hold
  if (!(await acting.run(() => api.post('/api/cases/{number}/wake', { path: path.value })))) return
  if (before)
    offerUndo(`${props.docket.number} was taken up again.`, () =>
      api.put('/api/cases/{number}/hold', {
        path: path.value,
        body: { reason: before.reason, until: before.until },
      }),
    )
  emit('changed')
}
async function hand(): Promise<void> {
  const before = props.docket.owner.login
  if (
    !(await acting.run(() => api.post('/api/cases/{number}/owner', { path: path.value, body: { login: login.value } })))
  )
    return
  if (before)
    offerUndo(`${props.docket.number} is with ${nameOf(login.value)} now.`, () =>
      api.post('/api/cases/{number}/owner', { path: path.value, body: { login: before } }),
    )
  open.value = undefined
  emit('changed')
}
useKeys([
  { key: 'P', does: 'labels', run: () => labels.value?.click() },
  { key: 'H', does: 'hold', run: () => (props.docket.hold ? void wake() : toggle('hold')) },
])
</script>

<template>
  <div class="d-flex align-items-center gap-2 acts">
    <a
      ref="labels"
      class="btn btn-quiet"
      :href="`/api/cases/${docket.number}/labels.pdf`"
      target="_blank"
      rel="noopener"
      ><Printer class="ic s14" aria-hidden="true" /> Labels</a
    >
    <a class="btn btn-quiet" :href="`/api/cases/${docket.number}/receipt.pdf`" target="_blank" rel="noopener"
      >Receipt</a
    >
    <button v-if="docket.hold" type="button" class="btn btn-primary" :disabled="acting.busy.value" @click="wake">
      Take it up again
    </button>
    <button
      v-else-if="canHold"
      type="button"
      class="btn btn-quiet"
      :aria-expanded="open === 'hold'"
      @click="toggle('hold')"
    >
      <Clock class="ic s14" aria-hidden="true" /> Hold
    </button>
    <button
      type="button"
      class="btn btn-quiet"
      :aria-expanded="open === 'hand'"
      :title="`now with ${docket.owner.name}`"
      @click="toggle('hand')"
    >
      <UserRound class="ic s14" aria-hidden="true" /> Give to …
    </button>
    <a v-if="phone" class="btn btn-quiet" :href="`tel:${phone.replace(/[^+\d]/g, '')}`"
      >Call <span class="m">{{ phone }}</span></a
    >
    <form v-if="open === 'hold'" class="sheet pop" data-over @submit.prevent="hold">
      <label for="hold-reason">What it waits for</label
      ><BFormInput id="hold-reason" v-model="reason" autofocus placeholder="the customer's answer, a part, a partner" />
      <label for="hold-until">Comes up again on</label
      ><BFormInput id="hold-until" v-model="until" type="date" :min="daysFromNow(1)" />
      <RefusedNote :refused="acting.refused.value" />
      <button type="submit" class="btn btn-primary" :disabled="!reason.trim() || acting.busy.value">
        Hold the case
      </button>
    </form>
    <form v-if="open === 'hand'" class="sheet pop" data-over @submit.prevent="hand">
      <label for="hand-to">Give the case to</label
      ><BFormSelect id="hand-to" v-model="login" :options="colleagues" autofocus />
      <RefusedNote :refused="acting.refused.value" />
      <button type="submit" class="btn btn-primary" :disabled="!login || acting.busy.value">Give it</button>
    </form>
    <RefusedNote v-if="!open" :refused="acting.refused.value" />
  </div>
</template>

<style scoped>
.acts {
  position: relative;
}
.pop {
  position: absolute;
  top: 38px;
  right: 0;
  z-index: 15;
  width: 300px;
  padding: 12px 14px;
  display: grid;
  gap: 5px;
  border-color: var(--edge);
}
.pop label {
  font-size: 12px;
  color: var(--ink-2);
}
.pop .btn {
  margin-top: 5px;
  justify-self: end;
}
@media (width <= 900px) {
  .acts {
    flex-wrap: wrap;
  }
  .pop {
    position: static;
    width: 100%;
  }
}
</style>
