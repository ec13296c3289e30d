<script setup lang="ts">
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { PartnerState } from '@/api/types'
import { useWhich } from '@/features/devices'
import { daysFromNow } from '@/ui/format/days'
import RefusedNote from '@/ui/RefusedNote.vue'

const props = defineProps<{
  /** The case's number. */
  number: string
  /** Devices and jobs. */
  state: PartnerState
  /** The device that is shown. */
  device?: number
}>()
const emit = defineEmits<{ /** A device was sent. */ sent: [] }>()

const QUOTE_DAYS = 7
const can = computed(() => props.state.devices.filter((d) => !d.stays))
const deviceId = ref((can.value.find((d) => d.id === props.device) ?? can.value[0])?.id ?? 0)
const form = ref({
  partner: props.state.jobs[0]?.partner ?? '',
  parcel: '',
  condition: '',
  on: daysFromNow(0),
  expected: daysFromNow(QUOTE_DAYS),
})
const sending = useAction()
const photos = useLive(
  '/api/cases/{number}/photos',
  () => ({ path: { number: props.number } }),
  (_, c) => c === props.number,
)
/** How it left can be shown later only by a picture from before. */
const unseen = computed(() => photos.data.value?.every((p) => p.deviceId !== Number(deviceId.value)) ?? false)
const ready = computed(
  () => deviceId.value > 0 && [form.value.partner, form.value.parcel, form.value.condition].every((t) => t.trim()),
)
const which = useWhich()
const options = computed(() => can.value.map((d) => ({ value: d.id, text: `${which(d.id)} ${d.name}`.trim() })))

async function send(): Promise<void> {
  if (!ready.value) return
  const body = { ...form.value, deviceId: deviceId.value }
  if (await sending.run(() => api.post('/api/cases/{number}/partner', { path: { number: props.number }, body })))
    emit('sent')
}
</script>

<template>
  <form class="sheet send" @submit.prevent="send">
    <p class="device">
      <label for="send-device">Device</label
      ><BFormSelect id="send-device" v-model="deviceId" :options="options" autofocus />
    </p>
    <p>
      <label for="send-partner">Whose bench</label
      ><BFormInput id="send-partner" v-model="form.partner" maxlength="100" />
    </p>
    <p>
      <label for="send-parcel">Parcel, or who carries it</label
      ><BFormInput id="send-parcel" v-model="form.parcel" maxlength="200" />
    </p>
    <p class="wide">
      <label for="send-condition">How it looks as it leaves</label
      ><BFormInput id="send-condition" v-model="form.condition" maxlength="1000" />
    </p>
    <p>
      <label for="send-on">Sent on</label
      ><BFormInput id="send-on" v-model="form.on" type="date" :max="daysFromNow(0)" />
    </p>
    <p>
      <label for="send-expected">Quote expected by</label
      ><BFormInput id="send-expected" v-model="form.expected" type="date" />
    </p>
    <RefusedNote class="wide" :refused="sending.refused.value" />
    <p class="wide d-flex gap-2 align-items-center">
      <span v-if="unseen" class="s c-warn"
        >No photo of it is on record.
        <RouterLink class="link" :to="`/cases/${number}/photos`">Take one before it leaves</RouterLink></span
      ><RouterLink v-else class="link s" :to="`/cases/${number}/photos`">Photos of how it leaves</RouterLink
      ><span class="flex-fill" /><BButton type="submit" variant="primary" :disabled="!ready || sending.busy.value"
        >It is sent</BButton
      >
    </p>
  </form>
</template>

<style scoped>
.send {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 8px 12px;
  padding: 10px 12px;
}
.wide {
  grid-column: 1 / -1;
}
@media (width > 700px) {
  .device {
    grid-column: span 2;
  }
}
label {
  font-size: 12px;
  color: var(--ink-2);
}
</style>
