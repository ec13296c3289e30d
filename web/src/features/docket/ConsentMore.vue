<script setup lang="ts">
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { Docket } from '@/api/types'
import { daysFromNow } from '@/ui/format/days'
import { day, dayAndTime } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { lookWords, widerThan } from './consent'

const props = defineProps<{ /** The case. */ docket: Docket }>()
const emit = defineEmits<{ changed: [] }>()

const given = useLive(
  '/api/cases/{number}/consent',
  () => ({ path: { number: props.docket.number } }),
  (what, c) => what === 'case' && c === props.docket.number,
)
const open = ref(false)
const saving = useAction()
const choices = computed(() => widerThan(props.docket.consent.look))
const look = ref(choices.value[0])
const saidBy = ref(props.docket.contactPerson)
const how = ref('')
const saidOn = ref(daysFromNow(0))

async function save(): Promise<void> {
  const yes = { look: look.value, saidBy: saidBy.value, how: how.value, saidOn: saidOn.value }
  if (
    await saving.run(() =>
      api.post('/api/cases/{number}/consent', { path: { number: props.docket.number }, body: yes }),
    )
  ) {
    open.value = false
    await given.refresh()
    emit('changed')
  }
}
</script>

<template>
  <div v-if="choices.length || given.data.value?.length" class="more">
    <p v-for="(g, i) in given.data.value" :key="i" class="xs text-body-secondary">
      Yes to {{ lookWords(g.look) }}: said by {{ g.saidBy }}, {{ g.how }}, on {{ day(g.saidOn) }}; noted
      {{ dayAndTime(g.at) }} by {{ g.who }}.
    </p>
    <button v-if="choices.length" type="button" class="linkish s" :aria-expanded="open" @click="open = !open">
      {{ open ? 'Not now' : 'The customer allows more …' }}
    </button>
    <form v-if="open" class="sheet yes" aria-label="The customer's yes" @submit.prevent="save">
      <label class="s"
        >From now on the lab may look at
        <BFormSelect v-model="look" :options="choices.map((c) => ({ value: c, text: lookWords(c) }))"
      /></label>
      <label class="s">Said by <BFormInput v-model="saidBy" /></label>
      <label class="s">How <BFormInput v-model="how" placeholder="by phone, on paper, at the counter" /></label>
      <label class="s">On <BFormInput v-model="saidOn" type="date" /></label>
      <BButton type="submit" variant="primary" size="sm" :disabled="saving.busy.value || !how.trim() || !saidBy.trim()"
        >Record their yes</BButton
      >
      <RefusedNote :refused="saving.refused.value" />
    </form>
  </div>
</template>

<style scoped>
.more {
  display: grid;
  gap: 4px;
  justify-items: start;
}
.yes {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: end;
  padding: 8px 12px;
}
.yes label {
  display: grid;
}
</style>
