<script setup lang="ts">
import { Copy, Send } from 'lucide-vue-next'
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { Delivery, DeliveryLink } from '@/api/types'
import { dayAndTime, zoneName } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'

const props = defineProps<{ /** The sealed one that the link leads to. */ delivery: Delivery }>()
const emit = defineEmits<{ made: [] }>()

const link = ref<DeliveryLink>()
const making = useAction()
const copied = ref('')

async function make(): Promise<void> {
  if (
    await making.run(
      async () => (link.value = await api.post('/api/deliveries/{id}/link', { path: { id: props.delivery.id } })),
    )
  )
    emit('made')
}
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
      :variant="delivery.linkSentAt ? undefined : 'primary'"
      :class="delivery.linkSentAt ? 'btn-quiet' : ''"
      :disabled="making.busy.value"
      @click="make"
      ><Send class="ic" aria-hidden="true" />
      {{ delivery.linkSentAt ? 'Make a new link' : 'Make the customer’s link' }}
      <span class="kbd">L</span></BButton
    >
    <p v-if="delivery.linkSentAt && !link && !delivery.receipt" class="xs text-body-secondary">
      The one before stops working.
    </p>
    <RefusedNote :refused="making.refused.value" />
    <ol class="events s">
      <li>
        <span class="m xs" :title="zoneName()">{{ dayAndTime(delivery.sealedAt) }}</span> <b>bag sealed</b> by
        {{ delivery.who }}
      </li>
      <li v-if="delivery.linkSentAt">
        <span class="m xs">{{ dayAndTime(delivery.linkSentAt) }}</span> <b>link made</b
        ><template v-if="delivery.expiresAt">, until {{ dayAndTime(delivery.expiresAt) }}</template>
      </li>
      <li v-if="delivery.openedAt">
        <span class="m xs">{{ dayAndTime(delivery.openedAt) }}</span> <b>opened</b> with the passcode
      </li>
      <li v-if="delivery.downloadedAt">
        <span class="m xs">{{ dayAndTime(delivery.downloadedAt) }}</span> <b>downloaded</b>
      </li>
      <li v-if="delivery.receipt">
        <span class="m xs">{{ dayAndTime(delivery.receipt.at) }}</span> <b>receipt confirmed</b> by
        {{ delivery.receipt.name }}, {{ delivery.receipt.equal }} of {{ delivery.receipt.checked }} checked files equal
      </li>
      <li v-else class="text-body-secondary">no receipt yet</li>
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
