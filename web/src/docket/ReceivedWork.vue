<script setup lang="ts">
import { Pencil } from 'lucide-vue-next'
import type { Docket, WantedState } from '@/api/types'
import { dayAndTime, zoneName } from '@/format/format'

defineProps<{ docket: Docket; wanted: WantedState[] }>()
</script>

<template>
  <div class="stack">
    <div class="hd"><h2>What was said</h2><span class="mu" :title="zoneName()">logged {{ dayAndTime(docket.createdAt) }} by {{ docket.owner }}</span><span class="sp" />
      <RouterLink class="btn btn-quiet btn-sm" :to="`/cases/${docket.number}/intake`"><Pencil class="ic s14" aria-hidden="true" /> Edit intake <span class="kbd">E</span></RouterLink></div>
    <p v-if="docket.story" class="quote story">“{{ docket.story }}”</p>
    <p v-else class="mu">No story was noted.</p>
    <dl class="kv">
      <dt>Customer</dt><dd>{{ docket.customer.name }}</dd>
      <dt>Contact</dt><dd>{{ docket.customer.contactPerson || 'not noted' }}</dd>
      <dt>Phone</dt><dd class="m">{{ docket.customer.phone || 'not noted' }}</dd>
      <dt>E-mail</dt><dd class="m">{{ docket.customer.email || 'not noted' }}</dd>
    </dl>
    <div class="hd"><h2>Facts</h2><span class="mu">{{ docket.facts.length }}</span></div>
    <table v-if="docket.facts.length" class="rows">
      <thead><tr><th>fact</th><th>source</th><th>by</th><th>when</th></tr></thead>
      <tbody><tr v-for="f in docket.facts" :key="`${f.code}=${f.value}`">
        <td><span class="fact" :class="{ told: f.source === 'told' }">{{ f.code }}={{ f.value }}</span></td><td>{{ f.source }}</td><td class="mu">{{ f.who }}</td><td class="mu">{{ dayAndTime(f.at) }}</td>
      </tr></tbody>
    </table>
    <p v-else class="empty">No fact yet. Enter them under Edit intake.</p>
    <div class="hd"><h2>Wanted list</h2></div>
    <table v-if="wanted.length" class="rows">
      <thead><tr><th>words</th><th>kinds</th><th>pattern</th><th class="n">hoped for</th><th></th></tr></thead>
      <tbody><tr v-for="w in wanted" :key="w.line.id"><td class="quote">“{{ w.line.words }}”</td><td>{{ w.line.kinds.join(', ') || 'any' }}</td><td class="m">{{ w.line.pattern || '–' }}</td><td class="n">{{ w.line.hopedFor || '–' }}</td><td>{{ w.line.mustHave ? 'must have' : 'nice to have' }}</td></tr></tbody>
    </table>
    <p v-else class="empty">Nothing on it. Ask the customer what they would miss most.</p>
  </div>
</template>

<style scoped>
.stack { display: grid; gap: 12px; align-content: start; }
.story { font-size: 15px; line-height: 22px; }
</style>
