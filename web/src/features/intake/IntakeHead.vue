<script setup lang="ts">
import { Phone } from 'lucide-vue-next'
import { BButton } from 'bootstrap-vue-next'

defineProps<{
  /** The case; absent while it is not logged. */
  number: string | undefined
  /** Who is on the line, as far as it is known. */
  who: string
  /** What was typed before is here again. */
  restored: boolean
  /** It is being saved. */
  busy: boolean
}>()
const emit = defineEmits<{ /** What was typed before is not wanted. */ startOver: [] }>()
defineSlots<{
  /** How the draft stands. */ draft(): unknown
  /** What else belongs beside the buttons. */ default(): unknown
}>()
</script>

<template>
  <header class="dk-head">
    <Phone class="ic" aria-hidden="true" />
    <h1 class="text-truncate">
      {{ who || (number ? 'Intake' : 'New intake') }}
    </h1>
    <span v-if="number" class="m">{{ number }}</span>
    <slot name="draft" />
    <span v-if="restored" class="s text-body-secondary text-nowrap"
      >Your draft is here again.
      <button type="button" class="linkish" @click="emit('startOver')">Start over</button></span
    >
    <span class="flex-fill" />
    <slot />
    <RouterLink :to="number ? `/cases/${number}` : '/desk'" class="btn btn-quiet">Put aside</RouterLink>
    <BButton type="submit" variant="primary" :disabled="busy"
      >{{ number ? 'Save the case' : 'Log the device' }} <span class="kbd">Ctrl ⏎</span></BButton
    >
  </header>
</template>

<style scoped>
@media (width <= 900px) {
  .dk-head {
    flex-wrap: wrap;
    padding: 8px 14px;
    gap: 8px;
  }
}
</style>
