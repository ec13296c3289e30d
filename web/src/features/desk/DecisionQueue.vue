<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { useAction } from '@/api/action'
import type { Decision, DeskAction } from '@/api/types'
import CaseWick from '@/ui/instruments/CaseWick.vue'
import { dayAndTime } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useKeys } from '@/ui/keys'
import { act } from './act'

const props = defineProps<{ /** Most pressing first. */ decisions: Decision[] }>()
const emit = defineEmits<{ /** Something was decided. */ acted: [] }>()

const router = useRouter()
const acting = useAction()
const chosen = ref(0)

async function run(d: Decision, a: DeskAction | undefined): Promise<void> {
  if (!a || acting.busy.value) return
  if (a.opens) await router.push(`/cases/${d.caseNumber}/${a.opens}`)
  else if (await acting.run(() => act(a))) emit('acted')
}
function move(by: number): void {
  chosen.value = Math.min(props.decisions.length - 1, Math.max(0, chosen.value + by))
}
function press(n: number): void {
  const d = props.decisions[chosen.value]
  if (d) void run(d, d.actions[n])
}
function open(): void {
  const d = props.decisions[chosen.value]
  if (d) void router.push(`/cases/${d.caseNumber}/${d.place}`)
}
useKeys([
  { key: 'J', does: 'down', run: () => move(1) },
  { key: 'K', does: 'up', run: () => move(-1) },
  { key: 'Enter', does: 'open', run: open },
  { key: '1', does: 'decide', run: () => press(0) },
  { key: '2', does: '', run: () => press(1) },
])
</script>

<template>
  <RefusedNote :refused="acting.refused.value" />
  <ul class="sheet queue">
    <li v-for="(d, i) in decisions" :key="d.key" :class="{ on: i === chosen }" @mouseenter="chosen = i">
      <div class="c">
        <CaseWick v-if="d.due" :since="d.since" :due="d.due" /><span v-else class="xs text-body-secondary">{{
          dayAndTime(d.since)
        }}</span>
      </div>
      <div class="q">
        <p class="fw-semibold">{{ d.question }}</p>
        <p class="s text-body-secondary">{{ d.reason }}</p>
      </div>
      <div class="w">
        <p class="text-truncate">{{ d.customer }}</p>
        <p class="xs text-body-secondary">
          <RouterLink class="m" :to="`/cases/${d.caseNumber}/${d.place}`">{{ d.caseNumber }}</RouterLink> · {{ d.kind }}
        </p>
      </div>
      <div class="act">
        <button
          v-for="(a, n) in d.actions"
          :key="a.label"
          type="button"
          class="btn"
          :class="n === 0 && !a.opens && i === chosen ? 'btn-primary' : 'btn-quiet'"
          :disabled="acting.busy.value"
          @click="run(d, a)"
        >
          {{ a.label }}
        </button>
      </div>
    </li>
  </ul>
</template>

<style scoped>
.queue {
  margin: 6px 0 18px;
}
.queue li {
  display: grid;
  grid-template-columns: 104px minmax(0, 1.5fr) minmax(0, 0.72fr) 218px;
  gap: 12px;
  align-items: center;
  padding: 8px 10px 8px 12px;
  border-top: 1px solid var(--line);
  border-left: 4px solid transparent;
}
.queue li:first-child {
  border-top: 0;
}
.queue li.on {
  background: var(--verd-wash);
  border-left-color: var(--verd);
}
.act {
  display: flex;
  gap: 6px;
  justify-content: flex-end;
}
@media (width <= 900px) {
  .queue li {
    grid-template-columns: 1fr;
  }
  .act {
    justify-content: flex-start;
  }
}
</style>
