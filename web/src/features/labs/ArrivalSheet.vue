<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { Arrival } from '@/api/types'
import { count, dateAndTime, size } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import KeyWords from './KeyWords.vue'
import { arrivalWords, brought, meaning } from './labs'

const props = defineProps<{ /** A file that came, and what it says. */ arrival: Arrival }>()
const emit = defineEmits<{ /** It was brought in, or put aside. */ decided: [] }>()

const says = computed(() => props.arrival.says)
const open = computed(() => props.arrival.state === 'looked-at')
const compared = ref('')
const deciding = useAction()
const path = computed(() => ({ id: props.arrival.id }))

async function bringIn(): Promise<void> {
  const body = { compared: compared.value }
  if (await deciding.run(() => api.post('/api/arrivals/{id}/bring-in', { path: path.value, body }))) emit('decided')
}
async function putAside(): Promise<void> {
  if (await deciding.run(() => api.delete('/api/arrivals/{id}', { path: path.value }))) emit('decided')
}
</script>

<template>
  <section class="sheet says" :aria-label="arrival.name">
    <div class="hd">
      <h2>{{ says.customer }}</h2>
      <span class="text-body-secondary"
        ><span class="m">{{ says.number }}</span> of {{ says.lab }}</span
      >
    </div>
    <p class="s">
      Packed on {{ dateAndTime(says.packed) }} by {{ says.by }}<template v-if="says.why">: {{ says.why }}</template>
    </p>
    <p class="s c-ok">
      The file is whole, {{ size(arrival.bytes) }}, and every byte of it is as it was signed with the key in it.
    </p>
    <div class="two">
      <div class="part">
        <ul class="s">
          <li v-for="d in says.devices" :key="d">{{ d }}</li>
        </ul>
        <table class="rows brings" aria-label="What it brings">
          <thead>
            <tr>
              <th>in the file</th>
              <th class="n">new here</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="b in says.brings" :key="b.what">
              <td>{{ brought(b.what, b.all) }}</td>
              <td class="n" :class="{ 'fw-semibold': b.fresh }">{{ count(b.fresh) }}</td>
            </tr>
          </tbody>
        </table>
        <template v-for="t in says.custody" :key="t.lab + t.number">
          <p v-if="t.trouble.length" class="stopbox">
            <b>Custody record of {{ t.lab }}:</b> {{ t.trouble.join(' ') }}
          </p>
          <p v-else class="s c-ok">Custody record of {{ t.lab }}: all {{ count(t.entries) }} entries meet.</p>
        </template>
        <div v-if="says.differs.length" class="warnbox">
          <b>Told otherwise there; what stands here stays:</b>
          <ul>
            <li v-for="d in says.differs" :key="d">{{ d }}</li>
          </ul>
        </div>
      </div>
      <div v-if="open" class="part">
        <p>
          <b>{{ meaning(says) }}</b>
        </p>
        <KeyWords :lab="says.lab" :fingerprint="says.fingerprint" />
        <p v-if="says.known" class="s c-ok">
          The key is known: compared by {{ says.known.who }} on {{ dateAndTime(says.known.at) }},
          {{ says.known.compared }}
        </p>
        <p v-else>
          <label for="compared"
            >Nobody has compared this key yet. Call the lab on a number that you know; who read it to you?</label
          >
          <BFormInput id="compared" v-model="compared" maxlength="500" />
        </p>
        <RefusedNote :refused="deciding.refused.value" />
        <p class="d-flex gap-3">
          <BButton
            variant="primary"
            :disabled="deciding.busy.value || (!says.known && !compared.trim())"
            @click="bringIn"
            >Bring it in</BButton
          >
          <BButton class="btn-quiet" :disabled="deciding.busy.value" @click="putAside">Put it aside</BButton>
        </p>
      </div>
      <p v-else role="status">
        {{ arrivalWords(arrival) }}
        <RouterLink v-if="arrival.caseNumber" class="link" :to="`/cases/${arrival.caseNumber}/labs`"
          >Open {{ arrival.caseNumber }}</RouterLink
        >
      </p>
    </div>
  </section>
</template>

<style scoped>
.says,
.part {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
  align-content: start;
}
.says {
  padding: 12px 14px;
}
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 380px), 1fr));
  gap: 10px 32px;
}
.brings {
  width: auto;
  justify-self: start;
}
label {
  display: block;
  font-size: 13px;
}
</style>
