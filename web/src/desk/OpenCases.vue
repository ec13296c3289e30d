<script setup lang="ts">
import { computed } from 'vue'
import type { CaseSummary } from '@/api/types'
import { bytes, day, size, words } from '@/format/format'
import { byStage, stageName } from './stages'

const props = defineProps<{ cases: CaseSummary[] }>()
const groups = computed(() => byStage(props.cases))
</script>

<template>
  <div class="hd"><h2>Open cases</h2><span class="mu">{{ cases.length }}, by stage</span></div>
  <p v-if="!cases.length" class="empty">No case is open.</p>
  <table v-else class="rows">
    <thead><tr><th>stage</th><th>case</th><th>customer</th><th>device</th><th>path</th><th>owner</th><th>since</th></tr></thead>
    <tbody v-for="g in groups" :key="g.stage">
      <tr v-for="(c, i) in g.cases" :key="c.number">
        <td class="stage"><span v-if="i === 0"><b>{{ stageName(g.stage) }}</b> <span class="mu">{{ g.cases.length }}</span></span></td>
        <td><RouterLink class="m link" :to="`/cases/${c.number}`">{{ c.number }}</RouterLink></td>
        <td>{{ c.customer }}</td>
        <td class="mu" :title="c.device.capacity ? bytes(c.device.capacity) : ''">{{ words(c.device.type) }} {{ c.device.capacity ? size(c.device.capacity) : '' }}</td>
        <td>{{ c.path ? words(c.path) : 'not decided' }}</td>
        <td class="mu">{{ c.owner }}</td>
        <td class="mu nw">{{ day(c.createdAt) }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.stage { border-left: 2px solid var(--ink); }
</style>
