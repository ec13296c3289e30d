<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useAction } from '@/api/action'
import type { Decision, DeskAction } from '@/api/types'
import CaseWick from '@/ui/instruments/CaseWick.vue'
import { day, dayAndTime } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useKeys } from '@/ui/keys'
import { act } from './act'
import QuestionActions from './QuestionActions.vue'
import { keyDoes, neighbour, placeFor, placeOf } from './queue'

const props = defineProps<{ /** Most pressing first. */ decisions: Decision[] }>()
const emit = defineEmits<{ /** Something was decided. */ acted: [] }>()

const router = useRouter()
const acting = useAction()
/** By its key: rows come and go, and none may move under a finger. */
const chosen = ref<string | undefined>(props.decisions[0]?.key)
const place = ref(0)
const row = computed(() => props.decisions.find((d) => d.key === chosen.value))
watch(
  () => props.decisions,
  (now) => (place.value = placeOf(now, chosen.value) ?? place.value),
)

async function run(d: Decision, a: DeskAction | undefined): Promise<void> {
  if (!a || acting.busy.value) return
  if (a.opens) await router.push(placeFor(d, a.opens))
  else if (await acting.run(() => act(a))) emit('acted')
}
function choose(key: string | undefined): void {
  chosen.value = key
  place.value = placeOf(props.decisions, key) ?? place.value
}
function press(n: number): void {
  if (row.value) void run(row.value, row.value.actions[n])
}
function open(): void {
  if (row.value) void router.push(placeFor(row.value, row.value.place))
}
useKeys([
  { key: 'J', does: 'down', run: () => choose(neighbour(props.decisions, chosen.value, place.value, 1)) },
  { key: 'K', does: 'up', run: () => choose(neighbour(props.decisions, chosen.value, place.value, -1)) },
  { key: 'Enter', does: () => (row.value ? `open ${row.value.caseNumber.slice(-4)}` : undefined), run: open },
  { key: '1', does: () => keyDoes(row.value, 0), run: () => press(0) },
  { key: '2', does: () => keyDoes(row.value, 1), run: () => press(1) },
])
</script>

<template>
  <RefusedNote :refused="acting.refused.value" />
  <ul class="sheet queue">
    <li v-for="d in decisions" :key="d.key" :class="{ on: d.key === chosen, harm: d.harm === 'device' }">
      <div class="c">
        <p v-if="d.harm === 'device'" class="xs c-stop fw-semibold">its device waits</p>
        <CaseWick v-if="d.due" :since="d.since" :due="d.due" /><span v-else class="xs text-body-secondary">{{
          dayAndTime(d.since)
        }}</span>
      </div>
      <div class="q">
        <p class="fw-semibold">
          <span v-if="d.which" class="which">{{ d.which }}</span> {{ d.question }}
        </p>
        <p v-for="p in d.presses" :key="p" class="s fw-semibold" :class="d.loses ? 'c-stop' : 'c-warn'">{{ p }}</p>
        <p class="s text-body-secondary">{{ d.reason }}</p>
      </div>
      <div class="w">
        <p class="text-truncate">{{ d.customer }}</p>
        <p class="xs text-body-secondary">
          <RouterLink class="m" :to="placeFor(d, d.place)">{{ d.caseNumber }}</RouterLink> · {{ d.kind }}
        </p>
        <p v-if="d.deadline" class="xs fw-semibold">needed by {{ day(d.deadline) }}</p>
      </div>
      <QuestionActions
        :question="d"
        :actions="d.actions"
        :chosen="d.key === chosen"
        :busy="acting.busy.value"
        @act="(a) => run(d, a)"
      />
    </li>
  </ul>
</template>

<style scoped>
.which {
  padding: 0 5px;
  border: 1px solid var(--edge);
  border-radius: 2px;
  font-weight: 400;
  font-size: 12px;
}
.queue {
  margin: 6px 0 18px;
}
.queue li {
  display: grid;
  grid-template-columns: 104px minmax(0, 1.5fr) minmax(0, 0.72fr) 222px;
  gap: 12px;
  align-items: center;
  padding: 8px 10px 8px 12px;
  border-top: 1px solid var(--line);
  border-left: 4px solid transparent;
}
.queue li:first-child {
  border-top: 0;
}
.queue li.harm {
  border-left-color: var(--madder);
}
.queue li.on {
  background: var(--verd-wash);
  border-left-color: var(--verd);
}
@media (width <= 900px) {
  .queue li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
