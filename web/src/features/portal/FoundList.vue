<script setup lang="ts">
import type { PortalPage } from '@/api/types'
import WantedTally from '@/ui/instruments/WantedTally.vue'
import { deliveredWords, foundWords, headline, partsOf } from './words'

defineProps<{ /** What the lab delivers. */ page: PortalPage }>()
</script>

<template>
  <section aria-labelledby="h-found">
    <h1 id="h-found">{{ headline(page) }}</h1>
    <p class="lead">We compared what we found on your {{ page.device || 'device' }} with what you asked for.</p>
    <p class="key s text-body-secondary">
      <span><WantedTally :whole="1" :gapped="0" :missing="0" /> whole</span
      ><span><WantedTally :whole="0" :gapped="1" :missing="0" /> with gaps</span
      ><span><WantedTally :whole="0" :gapped="0" :may="1" :missing="0" /> may be meant</span
      ><span><WantedTally :whole="0" :gapped="0" :missing="1" /> not here</span>
    </p>
    <ul>
      <li v-for="w in page.wanted" :key="w.line" class="want">
        <h2 class="quote">“{{ w.words }}”</h2>
        <WantedTally v-bind="partsOf(w)" :height="22" />
        <p>{{ foundWords(w) }} {{ deliveredWords(w) }}</p>
      </li>
    </ul>
    <p v-if="!page.wanted.length" class="text-body-secondary">
      You did not ask for anything in particular; all that was chosen is below.
    </p>
  </section>
</template>

<style scoped>
h1 {
  font-size: 30px;
  line-height: 36px;
}
.lead {
  color: var(--ink-2);
  font-size: 17px;
  margin: 4px 0 14px;
}
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
}
.key span {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.want {
  padding: 12px 0;
  border-top: 1px solid var(--line);
  display: grid;
  gap: 6px;
}
.want h2 {
  font-size: 17px;
  line-height: 22px;
  font-weight: 650;
}
</style>
