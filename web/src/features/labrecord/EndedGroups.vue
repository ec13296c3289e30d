<script setup lang="ts">
import { computed, ref } from 'vue'
import type { PastGroup } from '@/api/types'
import { count } from '@/ui/format/format'
import EndedStrip from '@/ui/instruments/EndedStrip.vue'
import { groupName, groupWords } from './labRecord'

const props = defineProps<{
  /** What they are grouped by. */
  title: string
  /** The largest first. */
  groups: readonly PastGroup[]
  /** What those are called of which nothing is on record. */
  none: string
  /** Said below, when a case may count more than once. */
  note?: string
}>()
const SHOWN = 6
const all = ref(false)
const shown = computed(() => (all.value ? props.groups : props.groups.slice(0, SHOWN)))
const most = computed(() => Math.max(1, ...props.groups.map((g) => g.cases)))
</script>

<template>
  <section :aria-label="title">
    <div class="hd">
      <h2>{{ title }}</h2>
    </div>
    <ul>
      <li v-for="g in shown" :key="g.of" class="group">
        <span class="s"
          ><b>{{ groupName(g.of, none) }}</b> <span class="m text-body-secondary">{{ count(g.cases) }}</span></span
        >
        <EndedStrip :how="g.how" :of="most" />
        <span class="xs text-body-secondary">{{ groupWords(g) }}</span>
      </li>
    </ul>
    <button
      v-if="groups.length > SHOWN"
      type="button"
      class="linkish s noprint"
      :aria-expanded="all"
      @click="all = !all"
    >
      {{ all ? 'Show fewer' : `Show ${groups.length - SHOWN} more` }}
    </button>
    <p v-if="note" class="xs text-body-secondary">{{ note }}</p>
  </section>
</template>

<style scoped>
.group {
  display: grid;
  gap: 2px;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
}
</style>
