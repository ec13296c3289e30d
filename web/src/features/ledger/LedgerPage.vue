<script setup lang="ts">
import { Link, Unlink } from 'lucide-vue-next'
import { computed, ref, watch } from 'vue'
import { useLive } from '@/api/live'
import { CustodyRecord } from '@/features/custody'
import { useCustomers } from '@/features/cases'
import PageSteps from '@/ui/PageSteps.vue'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { workload } from './workload'

const page = ref(0)
const ledger = useLive(
  '/api/ledger',
  () => ({ query: { page: page.value } }),
  (what) => what === 'custody',
)
const open = useLive(
  '/api/cases/workload',
  () => ({}),
  (what) => what === 'case',
)
const people = useLive(
  '/api/staff',
  () => ({}),
  (what) => what === 'staff',
)
const tapes = computed(() => ledger.data.value?.items ?? [])
const picked = ref<string>()
const chosen = computed(() => picked.value ?? tapes.value[0]?.caseNumber)
const tape = useLive(
  '/api/cases/{number}/custody',
  () => (chosen.value ? { path: { number: chosen.value } } : undefined),
  (what, c) => what === 'custody' && c === chosen.value,
)
const shown = computed(() => (tape.data.value?.entries[0]?.caseNumber === chosen.value ? tape.data.value : undefined))
const load = computed(() => workload(people.data.value ?? [], open.data.value ?? {}))
const customer = useCustomers(() => tapes.value.map((l) => l.caseNumber))

watch(chosen, () => void tape.refresh())

/** Another page begins with its own first tape. */
function turn(to: number): void {
  page.value = to
  picked.value = undefined
}
</script>

<template>
  <div class="ledger">
    <nav class="side" aria-label="Tapes">
      <div class="hd"><h2>Tapes</h2></div>
      <button
        v-for="l in tapes"
        :key="l.caseNumber"
        type="button"
        class="tape1"
        :class="{ on: l.caseNumber === chosen }"
        :aria-current="l.caseNumber === chosen"
        @click="picked = l.caseNumber"
      >
        <span class="m">{{ l.caseNumber }}</span><span class="m xs text-body-secondary">{{ l.entries }}</span>
        <span class="xs" :class="l.torn ? 'c-stop fw-semibold' : 'text-body-secondary'"
          ><component :is="l.torn ? Unlink : Link" class="ic s14" aria-hidden="true" />
          {{ l.torn ? 'torn' : 'meets' }}</span
        >
        <span class="xs text-body-secondary who1 text-truncate">{{ customer(l.caseNumber) }}</span>
      </button>
      <PageSteps v-if="ledger.data.value" :of="ledger.data.value" label="Pages of tapes" @go="turn" />
      <p v-if="ledger.data.value && !tapes.length" class="s text-body-secondary">No case yet.</p>
    </nav>
    <section class="mid" aria-label="Custody record">
      <RefusedNote :refused="ledger.refused.value ?? tape.refused.value" />
      <ComingLines :of="ledger" :lines="6" />
      <CustodyRecord v-if="shown" :key="chosen" :tape="shown" @check="tape.refresh" />
      <p v-else-if="ledger.data.value && !tapes.length" class="empty">
        The ledger is empty. Its first line is written when the first case is logged.
      </p>
    </section>
    <aside class="side right" aria-label="People and workload">
      <RouterLink class="btn btn-quiet" to="/day">The day</RouterLink>
      <div class="hd">
        <h2>Workload</h2>
        <span class="text-body-secondary">open cases</span>
      </div>
      <ul>
        <li v-for="p in load" :key="p.login" class="person">
          <span
            >{{ p.name }}<span class="xs text-body-secondary d">{{ p.role }}</span></span
          >
          <span class="bars" aria-hidden="true"><i v-for="n in Math.min(12, p.open)" :key="n" /></span
          ><span class="m">{{ p.open }}</span>
        </li>
      </ul>
      <RouterLink class="btn btn-quiet" to="/people">People</RouterLink>
      <RouterLink class="btn btn-quiet" to="/settings">Settings</RouterLink>
    </aside>
  </div>
</template>

<style scoped>
.ledger {
  display: grid;
  grid-template-columns: 256px minmax(0, 1fr) 300px;
  height: 100%;
}
.side {
  padding: 14px 16px 20px 20px;
  position: relative;
  overflow: auto;
}
.right {
  padding: 14px 20px 20px 16px;
  border-left: 1px solid var(--line);
  display: grid;
  gap: 12px;
  align-content: start;
}
.mid {
  padding: 14px 20px 20px;
  position: relative;
  overflow: auto;
  border-left: 1px solid var(--line);
}
.tape1 {
  display: grid;
  grid-template-columns: 1fr auto 64px;
  gap: 0 8px;
  width: 100%;
  text-align: left;
  padding: 5px 8px;
  border: 0;
  border-bottom: 1px solid var(--line);
  border-left: 4px solid transparent;
  background: none;
  color: var(--ink);
}
.tape1.on {
  background: var(--verd-wash);
  border-left-color: var(--verd);
}
.who1 {
  grid-column: 1 / -1;
}
.person {
  display: grid;
  grid-template-columns: 1fr auto 24px;
  gap: 8px;
  align-items: center;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
  font-size: 13px;
}
.d {
  display: block;
}
.bars {
  display: flex;
  gap: 3px;
}
.bars i {
  width: 5px;
  height: 14px;
  background: var(--ink);
}
@media (width <= 900px) {
  .ledger {
    grid-template-columns: minmax(0, 1fr);
    height: auto;
  }
  .mid,
  .right {
    border-left: 0;
  }
}
</style>
