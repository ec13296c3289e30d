<script setup lang="ts">
import { Users } from 'lucide-vue-next'
import { stageName } from '@/features/cases'
import { usePresence } from './usePresence'

const props = defineProps<{
  /** The case that this person looks at. */
  number: string
  /** The part of it. */
  place: string
}>()
const others = usePresence(props.number, () => props.place)
</script>

<template>
  <span v-if="others.length" class="s text-nowrap others" role="status">
    <Users class="ic s14" aria-hidden="true" />
    <span v-for="(o, i) in others" :key="o.login"
      >{{ i ? ', ' : '' }}<b>{{ o.name }}</b> is here, too{{
        o.place === place ? '' : `, at ${stageName(o.place).toLowerCase()}`
      }}</span
    >
  </span>
</template>

<style scoped>
.others {
  color: var(--heather-d);
}
</style>
