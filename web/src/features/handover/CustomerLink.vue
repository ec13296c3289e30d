<script setup lang="ts">
import { Copy, Send, Unlink } from 'lucide-vue-next'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { Delivery, DeliveryLink } from '@/api/types'
import { dayAndTime, zoneName } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { eventsOf } from './words'

const props = defineProps<{ /** The sealed one that the link leads to. */ delivery: Delivery }>()
const emit = defineEmits<{ /** Made, or withdrawn. */ made: [] }>()

const link = ref<DeliveryLink>()
const making = useAction()
const copied = ref('')
const withdrawing = useAction()
const asked = ref(false)
/** A link leads here. */
const holds = computed(() => Boolean(props.delivery.linkSentAt && !props.delivery.withdrawnAt))

async function make(): Promise<void> {
  if (
    await making.run(
      async () => (link.value = await api.post('/api/deliveries/{id}/link', { path: { id: props.delivery.id } })),
    )
  )
    emit('made')
}
async function withdraw(): Promise<void> {
  if (!(await withdrawing.run(() => api.delete('/api/deliveries/{id}/link', { path: { id: props.delivery.id } }))))
    return
  link.value = undefined
  asked.value = false
  emit('made')
}
const events = computed(() => eventsOf(props.delivery))
const address = () => `${location.origin}${link.value?.path ?? ''}`
async function copy(text: string, what: string): Promise<void> {
  await navigator.clipboard.writeText(text)
  copied.value = what
}
defineExpose({ make })
</script>

<template>
  <div>
    <div v-if="link" class="sheet link1" role="status">
      <p class="s"><b>Shown once.</b> Send the link one way and the passcode another.</p>
      <p class="lab">Link, until {{ dayAndTime(link.expiresAt) }}</p>
      <p class="d-flex align-items-center gap-2">
        <code class="m xs address" data-testid="link">{{ address() }}</code><button
          type="button"
          class="btn btn-quiet btn-sm"
          @click="copy(address(), 'link')"
        >
          <Copy class="ic s14" aria-hidden="true" /> {{ copied === 'link' ? 'Copied' : 'Copy' }}
        </button>
      </p>
      <p class="lab">Passcode</p>
      <p class="d-flex align-items-center gap-2">
        <code class="m code" data-testid="passcode">{{ link.passcode }}</code><button
          type="button"
          class="btn btn-quiet btn-sm"
          @click="copy(link.passcode, 'passcode')"
        >
          <Copy class="ic s14" aria-hidden="true" /> {{ copied === 'passcode' ? 'Copied' : 'Copy' }}
        </button>
      </p>
    </div>
    <BButton
      v-else-if="!delivery.receipt"
      :variant="holds ? undefined : 'primary'"
      :class="holds ? 'btn-quiet' : ''"
      :disabled="making.busy.value"
      @click="make"
      ><Send class="ic" aria-hidden="true" />
      {{ delivery.linkSentAt ? 'Make a new link' : 'Make the customer’s link' }}
      <span class="kbd">L</span></BButton
    >
    <p v-if="holds && !link && !delivery.receipt" class="xs text-body-secondary">The one before stops working.</p>
    <div v-if="holds" class="away">
      <button v-if="!asked" type="button" class="btn btn-quiet btn-sm" @click="asked = true">
        <Unlink class="ic s14" aria-hidden="true" /> Withdraw the link
      </button>
      <template v-else>
        <p class="s">Nobody gets in by it any longer, and a download under way breaks off. The files are kept.</p>
        <BButton size="sm" variant="primary" :disabled="withdrawing.busy.value" @click="withdraw">Withdraw it</BButton>
        <button type="button" class="btn btn-quiet btn-sm" @click="asked = false">Leave it</button>
      </template>
    </div>
    <RefusedNote :refused="making.refused.value ?? withdrawing.refused.value" />
    <ol class="events s">
      <li v-for="e in events" :key="e.what">
        <span class="m xs" :title="zoneName()">{{ dayAndTime(e.at) }}</span> <b>{{ e.what }}</b>{{ e.more }}
      </li>
      <li v-if="!delivery.receipt" class="text-body-secondary">no receipt yet</li>
    </ol>
  </div>
</template>

<style scoped>
.link1 {
  padding: 9px 12px;
  display: grid;
  gap: 3px;
  border-color: var(--verd);
}
.address {
  overflow-wrap: anywhere;
  color: var(--ink);
}
.code {
  font-size: 18px;
  color: var(--ink);
}
.away {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  margin-top: 6px;
}
.events {
  margin-top: 10px;
  display: grid;
  gap: 4px;
}
.events li {
  display: block;
  padding-bottom: 3px;
  border-bottom: 1px solid var(--line);
}
</style>
