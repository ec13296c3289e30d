<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { Docket } from '@/api/types'
import ComingLines from '@/ui/ComingLines.vue'
import { dateAndTime } from '@/ui/format/format'
import CustodyTape from '@/ui/instruments/CustodyTape.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import KeyWords from './KeyWords.vue'
import PackingList from './PackingList.vue'

const props = defineProps<{ /** The case. */ docket: Docket }>()

const labs = useLive(
  '/api/cases/{number}/labs',
  () => ({ path: { number: props.docket.number } }),
  (what, c) => c === props.docket.number && ['labs', 'case'].includes(what),
)
const state = computed(() => labs.data.value)
const form = ref({ forLab: '', why: '' })
const packing = useAction()
const ready = computed(() => form.value.forLab.trim() && form.value.why.trim())
const busy = computed(() => state.value?.packings.some((p) => ['waiting', 'running'].includes(p.state)) ?? false)

async function pack(): Promise<void> {
  const path = { number: props.docket.number }
  if (await packing.run(() => api.post('/api/cases/{number}/labs/packings', { path, body: form.value }))) {
    form.value = { forLab: '', why: '' }
    await labs.refresh()
  }
}
</script>

<template>
  <div class="stack">
    <div class="hd">
      <h2>Other labs</h2>
      <span class="text-body-secondary">one signed file takes the case there, and brings back what they did</span>
      <span class="flex-fill" />
      <RouterLink class="btn btn-quiet btn-sm" to="/arrivals">A file came from a lab …</RouterLink>
    </div>
    <RefusedNote :refused="labs.refused.value" />
    <ComingLines :of="labs" :lines="5" />
    <template v-if="state">
      <form class="sheet pack" aria-label="Pack the case" @submit.prevent="pack">
        <p>
          <label for="pack-for">For which lab</label><BFormInput id="pack-for" v-model="form.forLab" maxlength="200" />
        </p>
        <p class="wide">
          <label for="pack-why">Why, and what the customer said to it</label
          ><BFormInput id="pack-why" v-model="form.why" maxlength="1000" />
        </p>
        <p class="s text-body-secondary wide">
          What was told, facts, notes, devices, maps of the images, sessions, findings and the custody record go along;
          the images, photos, choices and deliveries stay here.
          {{
            docket.consent.look === 'previews' || docket.consent.look === 'contents'
              ? ''
              : 'The customer lets labs see names alone, so what contents say of themselves stays, too.'
          }}
        </p>
        <RefusedNote class="wide" :refused="packing.refused.value" />
        <p class="wide d-flex gap-3 align-items-center">
          <KeyWords :lab="state.lab" :fingerprint="state.fingerprint" />
          <span class="flex-fill" />
          <BButton type="submit" variant="primary" :disabled="!ready || busy || packing.busy.value"
            >Pack the case</BButton
          >
        </p>
      </form>
      <PackingList v-if="state.packings.length" :packings="state.packings" />
      <section v-for="e in state.elsewhere" :key="`${e.fingerprint}${e.number}`" :aria-label="`Record of ${e.lab}`">
        <div class="hd">
          <h2>{{ e.lab }}</h2>
          <span class="text-body-secondary"
            >knows the case as <span class="m">{{ e.number }}</span>; its custody record as it came on
            {{ dateAndTime(e.cameAt) }}</span
          >
        </div>
        <div v-if="e.tears.length" class="stopbox" role="alert">
          <b>Their record is torn.</b>
          <ul>
            <li v-for="t in e.tears" :key="t.words">{{ t.words }}</li>
          </ul>
          It came like this; ask {{ e.lab }}.
        </div>
        <p v-else class="s c-ok">
          All {{ e.entries.length }} entries meet; none was changed, none is missing up to where it ended then.
        </p>
        <CustodyTape :tape="{ entries: e.entries, tears: e.tears }" />
      </section>
      <p v-if="!state.packings.length && !state.elsewhere.length" class="empty">
        No other lab has had this case. Packed, it can go on in one that has what this one lacks.
      </p>
    </template>
  </div>
</template>

<style scoped>
.stack,
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
  align-content: start;
}
.pack {
  display: grid;
  grid-template-columns: minmax(180px, 1fr) minmax(0, 2fr);
  gap: 8px 12px;
  padding: 10px 12px;
}
.pack p.s,
.pack p:last-child,
.pack .refused {
  grid-column: 1 / -1;
}
label {
  font-size: 12px;
  color: var(--ink-2);
}
@media (width <= 700px) {
  .pack {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
