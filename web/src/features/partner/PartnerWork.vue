<script setup lang="ts">
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { Docket } from '@/api/types'
import { useWhich } from '@/features/devices'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import JobLoop from './JobLoop.vue'
import SendForm from './SendForm.vue'
import StepForm from './StepForm.vue'
import { type Job, nextStep, waitsFor } from './partner'

const props = defineProps<{
  /** The case. */
  docket: Docket
  /** The device that is shown. */
  device?: number
}>()
const emit = defineEmits<{ changed: [] }>()

const MEANT = new Set(['case', 'bench'])
const partner = useLive(
  '/api/cases/{number}/partner',
  () => ({ path: { number: props.docket.number } }),
  (what, c) => c === props.docket.number && MEANT.has(what),
)
const state = computed(() => partner.data.value)
const canSend = computed(() => state.value?.devices.some((d) => !d.stays) ?? false)
const stays = computed(() => [...new Set(state.value?.devices.map((d) => d.stays).filter(Boolean))])
const sending = ref(false)
/** The job of which it is noted that it is back before its turn has come. */
const early = ref<number>()
const taking = useAction()
const which = useWhich()
const deviceOf = (job: Job) => state.value?.devices.find((d) => d.id === job.deviceId)

async function changed(): Promise<void> {
  sending.value = false
  early.value = undefined
  await partner.refresh()
  emit('changed')
}
async function takeBack(job: Job): Promise<void> {
  const path = { number: props.docket.number, id: job.id }
  if (await taking.run(() => api.delete('/api/cases/{number}/partner/{id}/last', { path }))) await changed()
}
</script>

<template>
  <div class="stack">
    <div class="hd">
      <h2>At a partner’s bench</h2>
      <span class="text-body-secondary">the case waits for them, and comes up when their word is due</span>
      <span class="flex-fill" />
      <button
        v-if="canSend && state?.jobs.length"
        type="button"
        class="btn btn-quiet btn-sm"
        :aria-expanded="sending"
        @click="sending = !sending"
      >
        Send a device …
      </button>
    </div>
    <RefusedNote :refused="partner.refused.value ?? taking.refused.value" />
    <ComingLines :of="partner" :lines="4" />
    <template v-if="state">
      <SendForm
        v-if="canSend && (sending || !state.jobs.length)"
        :number="docket.number"
        :state="state"
        :device="device"
        @sent="changed"
      />
      <p v-else-if="!state.jobs.length" class="empty">Nothing can be sent now: {{ stays.join(' ') }}</p>
      <section v-for="j in state.jobs" :key="j.id" class="job" :aria-label="`Device at ${j.partner}`">
        <div class="hd">
          <h2>
            <span v-if="which(j.deviceId)" class="text-body-secondary">{{ which(j.deviceId) }}</span>
            {{ deviceOf(j)?.name ?? 'A device that was taken off the intake' }}
          </h2>
          <span :class="j.step === 'back' && !j.toCheck ? 'text-body-secondary' : 'c-warn'">{{ waitsFor(j) }}</span>
        </div>
        <JobLoop :job="j" :currency="state.currency" />
        <p class="d-flex gap-3 align-items-center">
          <button type="button" class="linkish xs" :disabled="taking.busy.value" @click="takeBack(j)">
            {{ j.step === 'sent' ? 'it was not sent' : 'take the last step back' }}
          </button>
          <button
            v-if="j.step === 'sent' || j.step === 'quoted'"
            type="button"
            class="linkish xs"
            @click="early = early === j.id ? undefined : j.id"
          >
            it came back without that
          </button>
          <RouterLink v-if="j.toCheck" class="link s" :to="`/cases/${docket.number}/triaged`"
            >Open the bench check</RouterLink
          >
        </p>
        <StepForm
          v-if="nextStep(j)"
          :key="`${j.step}${early}`"
          :number="docket.number"
          :job="j"
          :step="early === j.id ? 'back' : (nextStep(j) ?? 'back')"
          :currency="state.currency"
          @done="changed"
        />
      </section>
    </template>
  </div>
</template>

<style scoped>
.stack,
.job {
  display: grid;
  gap: 10px;
  align-content: start;
}
.job {
  padding-bottom: 14px;
  border-bottom: 1px solid var(--line-2);
}
</style>
