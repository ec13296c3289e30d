<script setup lang="ts">
import { computed } from 'vue'
import type { SessionReport } from '@/api/types'
import { count } from '@/ui/format/format'
import { limitWords, passRows, passWords, profileName, profileValues } from './profiles'

const props = defineProps<{ /** Of one session. */ report: SessionReport }>()
const s = computed(() => props.report.session)
</script>

<template>
  <section>
    <div class="hd">
      <h2>How</h2>
      <span class="text-body-secondary xs">profile {{ profileName(s.profile) }}, as it was last</span>
    </div>
    <p class="s">{{ report.profile.words }}</p>
    <dl class="kv">
      <template v-for="v in profileValues(report.profile)" :key="v.what"
        ><dt>{{ v.what }}</dt>
        <dd class="m xs">{{ v.value }}</dd></template
      >
      <dt>Stops at</dt>
      <dd class="xs">{{ limitWords(s.limits) }}</dd>
    </dl>
    <table class="rows">
      <thead>
        <tr>
          <th>pass</th>
          <th>came to</th>
          <th class="n">requests</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="p in passRows(s)" :key="p.pass">
          <td>{{ p.pass }}</td>
          <td>{{ passWords(p) }}</td>
          <td class="n">{{ count(p.requests) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 6px;
  min-width: 0;
}
</style>
