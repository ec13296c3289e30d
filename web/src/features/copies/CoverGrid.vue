<script setup lang="ts">
import { computed } from 'vue'
import type { CopySearch } from '@/api/types'
import { holds, placeWords } from './copies'

const props = defineProps<{ /** The search as it stands. */ search: CopySearch }>()
const found = computed(() => props.search.places.filter((p) => p.finding.result === 'found'))
const COVER = { covered: 'covered', said: 'said to be there, not seen', uncovered: 'not covered' } as const
const HOLDS = { seen: 'holds it, a sample was opened', said: 'is said to hold it' } as const
</script>

<template>
  <table class="rows cover">
    <thead>
      <tr>
        <th>Wanted</th>
        <th v-for="p in found" :key="placeWords(p)" class="by">{{ placeWords(p) }}</th>
        <th>All in all</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="l in search.lines" :key="l.wantedId">
        <td>“{{ l.words }}”<span v-if="l.mustHave" class="sign">must have</span></td>
        <td v-for="p in found" :key="placeWords(p)" class="by">
          <span
            v-if="holds(p, l.wantedId)"
            class="held-by"
            :class="holds(p, l.wantedId)"
            role="img"
            :aria-label="HOLDS[holds(p, l.wantedId) ?? 'said']"
            :title="HOLDS[holds(p, l.wantedId) ?? 'said']"
          />
        </td>
        <td :class="{ 'c-warn': l.cover !== 'covered' }">{{ COVER[l.cover] }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.by {
  text-align: center;
  white-space: nowrap;
}
.sign {
  margin-left: 8px;
}

/* A sheet that lies there, or only its outline. */
.held-by {
  display: inline-block;
  width: 13px;
  height: 16px;
  border: 1.5px solid var(--ink);
  border-radius: 1px 5px 1px 1px;
  vertical-align: middle;
}
.held-by.seen {
  background: var(--ink);
}
.held-by.said {
  border-style: dashed;
}
</style>
