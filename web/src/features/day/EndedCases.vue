<script setup lang="ts">
import { computed, ref } from 'vue'
import type { EndedCase } from '@/api/types'
import { count, day } from '@/ui/format/format'
import EndedStrip from '@/ui/instruments/EndedStrip.vue'
import { FILL, HOW } from '@/ui/instruments/endings'
import { endings } from './day'

const props = defineProps<{
  /** The newest first. */
  ended: readonly EndedCase[]
  /** More than are listed, when there are very many. */
  total: number
}>()
const days = defineModel<number>('days', { required: true })

const ways = computed(() => endings(props.ended))
const complete = computed(() => props.ended.filter((e) => e.complete).length)
const listed = ref(false)
</script>

<template>
  <section aria-labelledby="h-ended">
    <div class="hd">
      <h2 id="h-ended">How they ended</h2>
      <span class="flex-fill" />
      <label class="s"
        >in the last
        <select v-model.number="days" class="form-select form-select-sm pick">
          <option v-for="d in [7, 30, 90, 365]" :key="d" :value="d">{{ d }} days</option>
        </select></label
      >
    </div>
    <template v-if="ended.length">
      <EndedStrip class="band" :how="ways" :of="ended.length" />
      <ul>
        <li v-for="w in ways" :key="w.how" class="s way">
          <svg width="14" height="14" aria-hidden="true">
            <rect x="1" y="1" width="12" height="12" :fill="FILL[w.how]" stroke="var(--ink)" />
          </svg>
          <b class="m">{{ count(w.cases) }}</b><span>{{ HOW[w.how] }}</span>
        </li>
      </ul>
      <p class="s">
        {{ complete === 0 ? 'In none' : `In ${count(complete)}` }} all that was hoped for came back whole and was
        confirmed to be it.
      </p>
      <p v-if="total > ended.length" class="xs text-body-secondary">
        Counted are the newest {{ count(ended.length) }} of {{ count(total) }}.
      </p>
      <button type="button" class="linkish s" :aria-expanded="listed" @click="listed = !listed">
        {{ listed ? 'Hide' : 'Show' }} the cases
      </button>
      <ul v-if="listed">
        <li v-for="e in ended.slice(0, 100)" :key="e.caseNumber" class="s case">
          <RouterLink class="m link" :to="`/cases/${e.caseNumber}`">{{ e.caseNumber }}</RouterLink>
          <span class="text-truncate">{{ e.customer }}</span>
          <span class="text-body-secondary text-nowrap">{{ day(e.at) }}</span>
          <span class="xs text-body-secondary how">{{ HOW[e.how] }}</span>
        </li>
        <li v-if="ended.length > 100" class="xs text-body-secondary">and {{ count(ended.length - 100) }} before</li>
      </ul>
    </template>
    <p v-else class="empty">No case was closed or declined in the last {{ days }} days.</p>
  </section>
</template>

<style scoped>
.pick {
  display: inline-block;
  width: 108px;
}
.band {
  width: 100%;
  height: 22px;
  margin: 8px 0 6px;
  overflow: hidden;
}
.way {
  display: grid;
  grid-template-columns: 14px auto 1fr;
  gap: 8px;
  align-items: center;
}
.case {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 0 8px;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}
.how {
  grid-column: 1 / -1;
}
</style>
