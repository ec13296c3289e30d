<script setup lang="ts">
import { computed } from 'vue'
import { useAction } from '@/api/action'
import { useLive } from '@/api/live'
import type { Decision, DeskAction } from '@/api/types'
import RefusedNote from '@/ui/RefusedNote.vue'
import { act } from './act'
import QuestionActions from './QuestionActions.vue'

const props = defineProps<{
  /** The case. */
  number: string
  /** The stage that is shown; only what is answered there is asked. */
  place: string
}>()
const emit = defineEmits<{ acted: [] }>()

const questions = useLive(
  '/api/cases/{number}/questions',
  () => ({ path: { number: props.number } }),
  (_, c) => c === props.number,
)
const acting = useAction()
/** What harms a device or holds work up. What only waits for its turn is the screen's own business. */
const asked = computed(() => (questions.data.value ?? []).filter((q) => q.place === props.place && q.harm !== 'clock'))
const here = (q: Decision) => q.actions.filter((a) => a.opens !== props.place)

async function run(action: DeskAction): Promise<void> {
  if (!(await acting.run(() => act(action)))) return
  await questions.refresh()
  emit('acted')
}
</script>

<template>
  <section v-if="asked.length" class="asked" aria-label="What this case waits for">
    <div v-for="q in asked" :key="q.key" :class="q.harm === 'device' ? 'stopbox' : 'warnbox'" class="one">
      <p>
        <b
          ><template v-if="q.which">{{ q.which }}: </template>{{ q.question }}</b
        >
        <span v-for="p in q.presses" :key="p" class="fw-semibold" :class="q.loses ? 'c-stop' : 'c-warn'">{{ p }} </span>
        {{ q.reason }}
      </p>
      <QuestionActions :question="q" :actions="here(q)" :busy="acting.busy.value" @act="run" />
    </div>
    <RefusedNote :refused="acting.refused.value" />
  </section>
</template>

<style scoped>
.asked {
  display: grid;
  gap: 8px;
  margin-bottom: 12px;
}
.one {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  justify-content: space-between;
}
.one p {
  flex: 1 1 300px;
}
</style>
