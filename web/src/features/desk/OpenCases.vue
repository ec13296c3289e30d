<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useLive } from '@/api/live'
import CaseWick from '@/ui/instruments/CaseWick.vue'
import { capacity, capacityInFull, count, day, words } from '@/ui/format/format'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import CaseFilterBar from './CaseFilterBar.vue'
import { filterOf, isFiltered, queryOf, type CaseFilter } from './filter'
import { byStage, stageName } from '@/features/cases'

const PAGE = 60
const route = useRoute()
const router = useRouter()
const page = ref(0)
const filter = computed({
  get: () => filterOf(route.query),
  set: (f: CaseFilter) => void router.replace({ query: queryOf(f) }),
})
const cases = useLive(
  '/api/cases',
  () => ({ query: { ...filter.value, page: page.value, size: PAGE } }),
  (what) => what === 'case',
)
watch(
  () => JSON.stringify(filter.value),
  () => (page.value = 0),
)
const list = computed(() => cases.data.value)
const groups = computed(() => byStage(list.value?.cases ?? []))
const pages = computed(() => Math.ceil((list.value?.total ?? 0) / PAGE))
const initials = (name: string) =>
  name
    .split(' ')
    .map((p) => p[0])
    .join('')
    .slice(0, 2)
</script>

<template>
  <section aria-labelledby="h-open">
    <div class="hd">
      <h2 id="h-open">
        {{ filter.state === 'open' ? 'Open cases' : filter.state === 'closed' ? 'Closed cases' : 'Cases' }}
      </h2>
      <span v-if="list" class="text-body-secondary"
        >{{ count(list.total) }}{{ isFiltered(filter) ? ' that fit' : ', by stage' }}</span
      ><span class="flex-fill" />
      <span v-if="pages > 1" class="s text-body-secondary"
        >page {{ page + 1 }} of {{ count(pages) }}
        <button type="button" class="linkish" :disabled="page === 0" @click="page--">before</button>
        <button type="button" class="linkish" :disabled="page + 1 >= pages" @click="page++">next</button></span
      >
    </div>
    <CaseFilterBar v-model="filter" />
    <RefusedNote :refused="cases.refused.value" />
    <ComingLines :of="cases" :lines="6" />
    <p v-if="list && !list.cases.length" class="empty">
      {{ isFiltered(filter) ? 'No case fits this filter.' : 'No case is open.' }}
    </p>
    <table v-else-if="list" class="rows">
      <thead>
        <tr>
          <th>stage</th>
          <th>case</th>
          <th>customer</th>
          <th>device</th>
          <th>path</th>
          <th>owner</th>
          <th>clock</th>
        </tr>
      </thead>
      <tbody v-for="g in groups" :key="g.stage">
        <tr v-for="(c, i) in g.cases" :key="c.number">
          <td class="stage">
            <span v-if="i === 0"
              ><b>{{ stageName(g.stage) }}</b> <span class="text-body-secondary">{{ g.cases.length }}</span></span
            >
          </td>
          <td>
            <RouterLink class="m link" :to="`/cases/${c.number}`">{{ c.number }}</RouterLink>
          </td>
          <td class="text-truncate cust">{{ c.customer }}</td>
          <td
            class="text-body-secondary text-nowrap"
            :title="c.device.capacity ? capacityInFull(c.device.capacity) : ''"
          >
            {{ words(c.device.type) }} {{ c.device.capacity ? capacity(c.device.capacity) : ''
            }}{{ c.devices > 1 ? `, ${c.devices} in all` : '' }}
          </td>
          <td class="text-nowrap">{{ c.path ? words(c.path) : 'not decided' }}</td>
          <td class="m xs text-body-secondary" :title="c.owner.name">{{ initials(c.owner.name) }}</td>
          <td class="text-nowrap">
            <CaseWick v-if="c.due" :since="c.stageSince" :due="c.due" beside /><span
              v-else
              class="text-body-secondary xs"
              >{{ day(c.stageSince) }}</span
            ><span v-if="c.hold" class="xs text-body-secondary"> {{ c.hold.reason }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.stage {
  border-left: 2px solid var(--ink);
  white-space: nowrap;
}
.cust {
  max-width: 190px;
}
.rows td {
  padding: 3px 7px;
}
td:last-child {
  max-width: 220px;
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
