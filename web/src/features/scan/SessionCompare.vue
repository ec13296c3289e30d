<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { Comparison, ScanView } from '@/api/types'
import { bytes, count, size } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { differences, kindDifferences } from './compare'

const props = defineProps<{
  /** The case. */
  number: string
  /** Ended ones, oldest first; at least two. */
  sessions: ScanView[]
}>()

const a = ref(props.sessions.at(-2)!.id)
const b = ref(props.sessions.at(-1)!.id)
const result = ref<Comparison>()
const asking = useAction()
const rows = computed(() => (result.value ? differences(result.value) : []))
const kinds = computed(() => (result.value ? kindDifferences(result.value) : []))
watch(
  [a, b],
  async () => {
    result.value = undefined
    await asking.run(async () => {
      result.value = await api.get('/api/cases/{number}/catalogue/comparison', {
        path: { number: props.number },
        query: { a: a.value, b: b.value },
      })
    })
  },
  { immediate: true },
)
</script>

<template>
  <section class="compare" aria-labelledby="h-compare">
    <div class="hd">
      <h2 id="h-compare">Compare</h2>
      <label class="s"
        >session
        <select v-model="a" aria-label="First session" class="form-select form-select-sm inline">
          <option v-for="s in sessions" :key="s.id" :value="s.id" :disabled="s.id === b">{{ s.id }}</option>
        </select></label
      >
      <label class="s"
        >with
        <select v-model="b" aria-label="Second session" class="form-select form-select-sm inline">
          <option v-for="s in sessions" :key="s.id" :value="s.id" :disabled="s.id === a">{{ s.id }}</option>
        </select></label
      >
    </div>
    <RefusedNote :refused="asking.refused.value" />
    <div v-if="result" class="two">
      <table class="rows" aria-label="Differences">
        <tbody>
          <tr v-for="r in rows" :key="r.words">
            <td>{{ r.words }}</td>
            <td class="n">{{ count(r.side.files) }}</td>
            <td class="n" :title="bytes(r.side.bytes)">{{ size(r.side.bytes) }}</td>
            <td class="n">
              <RouterLink
                v-if="r.side.files"
                class="link s"
                :to="{ path: `/cases/${number}/selection`, query: r.query }"
                :aria-label="`Open: ${r.words}`"
                >open</RouterLink
              >
            </td>
          </tr>
        </tbody>
      </table>
      <table v-if="kinds.length" class="rows" aria-label="Differences by kind">
        <thead>
          <tr>
            <th>kind</th>
            <th class="n">only {{ result.a }}</th>
            <th class="n">only {{ result.b }}</th>
            <th class="n">both</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="k in kinds" :key="k.kind">
            <td>{{ k.kind }}</td>
            <td class="n">{{ k.onlyA.files ? count(k.onlyA.files) : '·' }}</td>
            <td class="n">{{ k.onlyB.files ? count(k.onlyB.files) : '·' }}</td>
            <td class="n text-body-secondary">{{ count(k.both.files) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-else class="s text-body-secondary">Both found the same files.</p>
    </div>
  </section>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 24px;
  align-items: start;
}
.inline {
  display: inline-block;
  width: auto;
  padding-right: 30px;
}
@media (width <= 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
