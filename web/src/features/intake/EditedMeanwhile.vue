<script setup lang="ts">
import { computed } from 'vue'
import type { CaseForm } from '@/api/types'
import { differences } from '@/features/cases'

const props = defineProps<{
  /** What this person typed. */
  mine: CaseForm
  /** What somebody else saved meanwhile. */
  theirs: CaseForm
}>()
const emit = defineEmits<{
  /** Save this person's text over the other's. */
  mine: []
  /** Drop this person's text. */
  theirs: []
}>()
const found = computed(() => differences(props.mine, props.theirs))
</script>

<template>
  <div class="warnbox" role="alert">
    <p>
      <b>Somebody else saved this case while you were typing.</b> Nothing was overwritten.
      <template v-if="found.length">Theirs differs in {{ found.join('; ') }}.</template
      ><template v-else>Theirs is the same as yours.</template>
    </p>
    <p class="d-flex align-items-center gap-2">
      <button type="button" class="btn btn-quiet btn-sm" @click="emit('mine')">Save mine over it</button
      ><button type="button" class="btn btn-quiet btn-sm" @click="emit('theirs')">Take theirs, drop mine</button>
    </p>
  </div>
</template>

<style scoped>
.warnbox {
  display: grid;
  gap: 6px;
}
</style>
