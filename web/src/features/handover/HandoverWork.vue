<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, useTemplateRef } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { Docket } from '@/api/types'
import { bytes, count, dayAndTime, grouped, size } from '@/ui/format/format'
import HashSeam from '@/ui/instruments/HashSeam.vue'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useKeys } from '@/ui/keys'
import AccountBand from './AccountBand.vue'
import { filesOf } from './account'
import CustomerLink from './CustomerLink.vue'

const props = defineProps<{ /** The case. */ docket: Docket }>()
const emit = defineEmits<{ changed: [] }>()

const deliveries = useLive(
  '/api/cases/{number}/deliveries',
  () => ({ path: { number: props.docket.number } }),
  (what, c) => c === props.docket.number && what === 'delivery',
)
const sealing = useAction()
const delivery = computed(() => deliveries.data.value?.[0])
const link = useTemplateRef<InstanceType<typeof CustomerLink>>('link')

const account = useLive(
  '/api/recovery/{id}/account',
  () => (delivery.value ? { path: { id: delivery.value.runId } } : undefined),
  (what, c) => c === props.docket.number && what === 'recovery',
)
const selected = computed(() => (account.data.value ? filesOf(account.data.value) : 0))

async function seal(): Promise<void> {
  if (await sealing.run(() => api.post('/api/cases/{number}/deliveries', { path: { number: props.docket.number } }))) {
    await deliveries.refresh()
    emit('changed')
  }
}
useKeys([{ key: 'L', does: 'link', run: () => void link.value?.make() }])
</script>

<template>
  <div class="stack">
    <RefusedNote :refused="deliveries.refused.value ?? sealing.refused.value ?? account.refused.value" />
    <ComingLines :of="deliveries" :lines="4" />
    <template v-if="delivery">
      <div class="hd">
        <h2 class="big">Delivery {{ delivery.id }}</h2>
        <span v-if="delivery.state === 'sealing'" class="text-body-secondary" role="status"
          >being packed, hashed and signed …</span
        >
        <span v-else-if="delivery.state === 'sealed'" class="text-body-secondary"
          >sealed {{ dayAndTime(delivery.sealedAt) }} by {{ delivery.who }}, for download</span
        >
      </div>
      <template v-if="delivery.state === 'failed'">
        <p class="refused" role="alert">{{ delivery.trouble }} The lab store is untouched.</p>
        <p><BButton variant="primary" :disabled="sealing.busy.value" @click="seal">Seal it again</BButton></p>
      </template>
      <template v-else>
        <section aria-labelledby="h-says">
          <div class="hd">
            <h2 id="h-says">What the manifest says</h2>
            <span class="text-body-secondary"
              >all {{ count(selected) }} findings that were selected, none left out of the account</span
            >
          </div>
          <AccountBand v-if="account.data.value" :account="account.data.value" />
        </section>
        <div v-if="delivery.state === 'sealed'" class="three">
          <section aria-labelledby="h-bag">
            <div class="hd">
              <h2 id="h-bag">In the bag</h2>
              <span class="text-body-secondary">BagIt 1.0</span>
            </div>
            <table class="rows">
              <tbody>
                <tr
                  v-for="n in [
                    'bagit.txt',
                    'bag-info.txt',
                    'manifest-sha256.txt',
                    'manifest-sha512.txt',
                    'manifest-sha256.txt.sig',
                    'lab-key.pem',
                    'account.json',
                    'READ-ME.txt',
                  ]"
                  :key="n"
                >
                  <td class="m xs" colspan="2">{{ n }}</td>
                </tr>
                <tr>
                  <td class="m xs">data/</td>
                  <td class="n" :title="bytes(delivery.bytes)">
                    {{ count(delivery.files) }} files, {{ size(delivery.bytes) }}
                  </td>
                </tr>
              </tbody>
            </table>
          </section>
          <section aria-labelledby="h-sig">
            <div class="hd">
              <h2 id="h-sig">Signature</h2>
              <span class="text-body-secondary">Ed25519, by the lab’s key</span>
            </div>
            <div class="sheet sig">
              <HashSeam :hash="delivery.fingerprint" :width="170" :height="30" />
              <p class="xs text-body-secondary">fingerprint of the key, to be read out</p>
              <p class="m xs">{{ grouped(delivery.fingerprint) }}</p>
              <p class="xs text-body-secondary">SHA-256 of the manifest</p>
              <p class="m xs hash">{{ delivery.manifestSha256 }}</p>
            </div>
          </section>
          <section aria-labelledby="h-link">
            <div class="hd"><h2 id="h-link">Link and receipt</h2></div>
            <CustomerLink ref="link" :delivery="delivery" @made="deliveries.refresh" />
          </section>
        </div>
      </template>
    </template>
    <div v-else-if="deliveries.data.value" class="empty">
      <p>Nothing is sealed yet. A finished recovery run is packed as a signed bag.</p>
      <p><RouterLink class="link" :to="`/cases/${docket.number}/recovery`">Open recovery</RouterLink></p>
    </div>
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 16px;
  align-content: start;
}
.big {
  font-size: 18px;
}
.three {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1.2fr);
  gap: 20px;
  border-top: 1px solid var(--line-2);
  padding-top: 12px;
}
.sig {
  padding: 10px 12px;
  display: grid;
  gap: 4px;
}
.hash {
  overflow-wrap: anywhere;
}
@media (width <= 900px) {
  .three {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
