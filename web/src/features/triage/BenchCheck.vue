<script setup lang="ts">
import { Gauge } from 'lucide-vue-next'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { Docket, Vocabulary } from '@/api/types'
import { ownFacts } from '@/features/cases'
import ChoiceRow from '@/ui/ChoiceRow.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { answersOf, BENCH_ROWS, startOf, type BenchAnswers } from './benchCheck'

const props = defineProps<{
  /** The case. */
  docket: Docket
  /** The device that is checked. */
  device: number
  /** The words of facts, with what the bench looks at. */
  vocabulary: Vocabulary | undefined
}>()
const emit = defineEmits<{ /** The check was recorded. */ checked: [] }>()

const answers = ref<BenchAnswers>(startOf(ownFacts(props.docket, props.device)))
const how = ref<Record<string, string>>({})
const measuring = useAction()
const recording = useAction()
const rows = computed(() =>
  BENCH_ROWS.map((r) => ({ ...r, fact: props.vocabulary?.facts.find((f) => f.code === r.code) })),
)
const given = computed(() => answersOf(answers.value))

async function measure(): Promise<void> {
  await measuring.run(async () => {
    for (const seen of await api.post('/api/cases/{number}/bench-check/measure', {
      path: { number: props.docket.number },
      query: { device: props.device },
    })) {
      answers.value = { ...answers.value, [seen.code]: { value: seen.value, measured: true } }
      how.value = { ...how.value, [seen.code]: seen.how }
    }
  })
}
function toggle(code: string, value: string): void {
  const now = { ...answers.value }
  if (now[code]?.value === value) delete now[code]
  else now[code] = { value, measured: false }
  answers.value = now
}
async function record(): Promise<void> {
  if (
    await recording.run(() =>
      api.post('/api/cases/{number}/bench-check', {
        path: { number: props.docket.number },
        query: { device: props.device },
        body: { answers: given.value },
      }),
    )
  )
    emit('checked')
}
</script>

<template>
  <form class="sheet check" aria-labelledby="h-check" @submit.prevent="record">
    <div class="hd">
      <h2 id="h-check">Bench check</h2>
      <span class="text-body-secondary">what you see counts more than what was told</span><span class="flex-fill" />
      <button type="button" class="btn btn-quiet btn-sm" :disabled="measuring.busy.value" @click="measure">
        <Gauge class="ic s14" aria-hidden="true" />
        {{ measuring.busy.value ? 'Reading a few places …' : 'Let the station measure' }}
      </button>
    </div>
    <RefusedNote :refused="measuring.refused.value" />
    <div v-for="r in rows" :key="r.code">
      <ChoiceRow
        :label="r.label"
        :ask="r.ask"
        :values="r.fact?.values ?? []"
        :is-on="(v) => answers[r.code]?.value === v"
        @toggle="(v) => toggle(r.code, v)"
      />
      <p v-if="answers[r.code]?.measured" class="xs text-body-secondary how">
        <b class="c-ok">measured</b> {{ how[r.code] }}
      </p>
    </div>
    <RefusedNote :refused="recording.refused.value" />
    <p class="d-flex align-items-center gap-2">
      <span class="xs text-body-secondary"
        >{{ given.length }} of {{ rows.length }} answered; leave out what you did not look at</span
      ><span class="flex-fill" /><BButton
        type="submit"
        variant="primary"
        :disabled="!given.length || recording.busy.value"
        >Record the check</BButton
      >
    </p>
  </form>
</template>

<style scoped>
.check {
  padding: 10px 12px;
  display: grid;
  gap: 4px;
}
.how {
  padding: 1px 0 4px 116px;
}
</style>
