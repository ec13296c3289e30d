<script setup lang="ts">
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { FailedStart } from '@/api/types'
import { count } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'

const props = defineProps<{
  /** The one that passed them over. */
  session: number
  /** How many there were. */
  rejected: number
}>()
const starts = ref<FailedStart[]>()
const asking = useAction()

async function toggle(): Promise<void> {
  if (starts.value) starts.value = undefined
  else
    await asking.run(async () => {
      starts.value = await api.get('/api/scans/{id}/failed', { path: { id: props.session } })
    })
}
</script>

<template>
  <div class="failed">
    <p class="xs text-body-secondary">
      {{ count(rejected) }} starts looked like a kind but failed its check; they are not findings.
      <button type="button" class="linkish xs" :aria-expanded="!!starts" :disabled="asking.busy.value" @click="toggle">
        {{ starts ? 'Hide them' : 'Show them' }}
      </button>
    </p>
    <RefusedNote :refused="asking.refused.value" />
    <div v-if="starts" class="list" role="region" aria-label="Starts that failed" tabindex="0">
      <table class="rows">
        <thead>
          <tr>
            <th class="n">at byte</th>
            <th>kind</th>
            <th>why it is none</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(s, i) in starts" :key="i">
            <td class="n m">{{ count(s.offset) }}</td>
            <td>{{ s.kind }}</td>
            <td class="text-body-secondary">{{ s.why }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="starts.length < rejected" class="xs text-body-secondary">
        The first {{ count(starts.length) }} are shown.
      </p>
    </div>
  </div>
</template>

<style scoped>
.failed {
  margin-top: 12px;
}
.list {
  max-height: 260px;
  overflow: auto;
}
</style>
