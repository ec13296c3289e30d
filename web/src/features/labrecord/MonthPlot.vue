<script setup lang="ts">
import { computed } from 'vue'
import type { LabRecord } from '@/api/types'
import { count } from '@/ui/format/format'
import { FILL, HOW, pieces, WAYS } from '@/ui/instruments/endings'

const props = defineProps<{ /** In order, none left out. */ months: LabRecord['past']['months'] }>()
const HEIGHT = 120
const columns = computed(() =>
  props.months.map((m) => {
    const all = pieces(m.how)
    return { month: m.month, all, cases: all.reduce((sum, p) => sum + p.cases, 0) }
  }),
)
const most = computed(() => Math.max(1, ...columns.value.map((c) => c.cases)))
const y = (cases: number) => (HEIGHT * cases) / most.value
const label = (month: string) => (month.endsWith('-01') || month === props.months[0]?.month ? month : month.slice(5))
</script>

<template>
  <div class="plot" aria-hidden="true">
    <div v-for="c in columns" :key="c.month" class="col" :title="`${c.month}: ${c.cases}`">
      <span class="m xs">{{ c.cases ? count(c.cases) : '' }}</span>
      <svg :height="HEIGHT">
        <rect
          v-for="p in c.all"
          :key="p.how"
          x="0"
          width="100%"
          :y="HEIGHT - y(p.from + p.cases)"
          :height="y(p.cases)"
          :fill="FILL[p.how]"
          stroke="var(--ink)"
        />
      </svg>
      <span class="m xs text-body-secondary">{{ columns.length > 24 ? '' : label(c.month) }}</span>
    </div>
  </div>
  <table class="visually-hidden">
    <caption>
      Cases that ended, by month
    </caption>
    <thead>
      <tr>
        <th>month</th>
        <th v-for="way in WAYS" :key="way">{{ HOW[way] }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="m in months" :key="m.month">
        <th>{{ m.month }}</th>
        <td v-for="way in WAYS" :key="way">{{ m.how.find((h) => h.how === way)?.cases ?? 0 }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.plot {
  display: flex;
  gap: 6px;
  align-items: end;
  border-bottom: 1px solid var(--line);
}
.col {
  flex: 1 1 0;
  display: grid;
  justify-items: center;
  min-width: 0;
}
.col svg {
  width: 100%;
  max-width: 48px;
  overflow: visible;
}
</style>
