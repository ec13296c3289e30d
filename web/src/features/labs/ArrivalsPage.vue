<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useAction } from '@/api/action'
import { upload } from '@/api/client'
import { useLive } from '@/api/live'
import ComingLines from '@/ui/ComingLines.vue'
import { dateAndTime } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import ArrivalSheet from './ArrivalSheet.vue'
import { arrivalWords } from './labs'

const route = useRoute()
const router = useRouter()
const meant = (what: string) => what === 'labs'
const all = useLive('/api/arrivals', () => ({}), meant)
const id = computed(() => Number(route.params.id) || undefined)
const one = useLive('/api/arrivals/{id}', () => (id.value ? { path: { id: id.value } } : undefined), meant)
const shown = computed(() => (one.data.value?.id === id.value ? one.data.value : undefined))
const sending = useAction()
const input = ref<HTMLInputElement>()

async function lookAt(): Promise<void> {
  const file = input.value?.files?.[0]
  if (!file) return
  await sending.run(async () => {
    const arrival = await upload('/api/arrivals', { query: { name: file.name } }, file)
    await all.refresh()
    await router.push(`/arrivals/${arrival.id}`)
  })
  if (input.value) input.value.value = ''
}
async function decided(): Promise<void> {
  await Promise.all([all.refresh(), one.refresh()])
}
</script>

<template>
  <div class="page">
    <div class="pagehead">
      <h1>From other labs</h1>
      <p class="text-body-secondary">a file is looked at first; nothing of it comes in before somebody decides so</p>
    </div>
    <p class="send">
      <label for="arrival-file" class="fw-semibold">The file that the lab sent</label>
      <input
        id="arrival-file"
        ref="input"
        type="file"
        accept=".zip,application/zip"
        class="form-control"
        :disabled="sending.busy.value"
        @change="lookAt"
      />
      <span v-if="sending.busy.value" class="s" role="status">It is read, and held against its signature …</span>
    </p>
    <RefusedNote :refused="sending.refused.value ?? all.refused.value ?? one.refused.value" />
    <ArrivalSheet v-if="shown" :key="shown.id" :arrival="shown" @decided="decided" />
    <ComingLines :of="all" :lines="4" />
    <section v-if="all.data.value?.length" class="came" aria-labelledby="h-came">
      <div class="hd"><h2 id="h-came">What came</h2></div>
      <table class="rows">
        <thead>
          <tr>
            <th>file</th>
            <th>from</th>
            <th>case there</th>
            <th>customer</th>
            <th>came</th>
            <th>state</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="a in all.data.value" :key="a.id">
            <td>
              <RouterLink class="link" :to="`/arrivals/${a.id}`" :aria-current="a.id === id ? 'page' : undefined">{{
                a.name
              }}</RouterLink>
            </td>
            <td>{{ a.says.lab }}</td>
            <td class="m">{{ a.says.number }}</td>
            <td>{{ a.says.customer }}</td>
            <td class="s text-body-secondary">{{ dateAndTime(a.at) }} by {{ a.who }}</td>
            <td class="s">
              {{ arrivalWords(a) }}
              <RouterLink v-if="a.caseNumber" class="link" :to="`/cases/${a.caseNumber}/labs`">Open it</RouterLink>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <p v-else-if="all.data.value" class="empty">No file came yet. A lab packs a case under its ‘Other labs’.</p>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
  align-content: start;
}
.came {
  overflow-x: auto;
}
.send {
  display: grid;
  gap: 4px;
  max-width: 560px;
}
</style>
