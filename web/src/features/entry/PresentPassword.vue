<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref, useId } from 'vue'
import { useAction } from '@/api/action'
import RefusedNote from '@/ui/RefusedNote.vue'

const props = defineProps<{
  /** What the button says. */
  label: string
  /** What it is asked for; a refusal is shown here. */
  work: (old: string) => Promise<unknown>
}>()
const id = useId()
const old = ref('')
const action = useAction()

async function go(): Promise<void> {
  if (await action.run(() => props.work(old.value))) old.value = ''
}
</script>

<template>
  <form class="fields" @submit.prevent="go">
    <div>
      <label :for="id">Present password</label
      ><BFormInput :id="id" v-model="old" type="password" autocomplete="current-password" required />
    </div>
    <RefusedNote :refused="action.refused.value" />
    <BButton type="submit" class="btn-quiet" :disabled="action.busy.value">{{ label }}</BButton>
  </form>
</template>
