<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import type { Vocabulary } from '@/api/types'
import ChoiceRow from '@/ui/ChoiceRow.vue'
import { rowsOf } from './rows'

const props = defineProps<{
  /** What can be said; the rows are empty until it is there. */
  vocabulary: Vocabulary | undefined
  /** Whether a value of a fact is chosen. */
  isOn: (code: string, value: string) => boolean
  /** The fact that is to be asked next. */
  asked: string | undefined
}>()
const emit = defineEmits<{
  /** A value of a fact was chosen, or taken back. */
  toggle: [code: string, value: string]
}>()

const more = ref(false)
const rowRefs = useTemplateRef<InstanceType<typeof ChoiceRow>[]>('rowRefs')
const rows = computed(() => rowsOf(props.vocabulary, more.value))

defineExpose({ /** Leads to a row, counted from 0. */ focus: (row: number) => rowRefs.value?.[row]?.focus() })
</script>

<template>
  <template v-for="r in rows" :key="r.code">
    <p v-if="r.heading" class="xs text-body-secondary heading">{{ r.heading }}</p>
    <ChoiceRow
      ref="rowRefs"
      :label="r.label"
      :ask="r.fact?.ask ?? r.label"
      :number="r.number"
      :values="r.fact?.values ?? []"
      :common="r.common"
      :is-on="(v) => isOn(r.code, v)"
      :asked="asked === r.code"
      @toggle="(v) => emit('toggle', r.code, v)"
    />
  </template>
  <p class="morefacts">
    <button type="button" class="linkish s" :aria-expanded="more" @click="more = !more">
      {{ more ? 'Fewer facts' : 'More facts: encryption, sets, budget, trim …' }}
    </button>
  </p>
</template>

<style scoped>
.heading {
  padding: 8px 0 2px 8px;
}
.morefacts {
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}
</style>
