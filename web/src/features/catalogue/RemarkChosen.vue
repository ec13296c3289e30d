<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { count } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { SAYS } from './remarks'
import { useRemarks } from './useRemarks'

const props = defineProps<{
  /** The case. */
  number: string
  /** How many findings are chosen. */
  chosen: number
}>()
const remarks = useRemarks(() => props.number)
const tag = ref('')
async function give(): Promise<void> {
  if (await remarks.say('chosen', { tag: tag.value })) tag.value = ''
}
</script>

<template>
  <div>
    <form class="ofall s" @submit.prevent="give">
      <span>the {{ count(chosen) }} chosen are</span>
      <button
        v-for="[says, words] in SAYS"
        :key="says"
        type="button"
        class="linkish s"
        :disabled="remarks.action.busy.value"
        @click="remarks.say('chosen', { whose: says })"
      >
        {{ words }}
      </button>
      <span class="tagging">
        <label for="tag-chosen">tagged</label>
        <BFormInput id="tag-chosen" v-model="tag" size="sm" maxlength="40" />
        <button type="submit" class="btn btn-quiet btn-sm" :disabled="remarks.action.busy.value || !tag.trim()">
          Tag
        </button>
      </span>
    </form>
    <RefusedNote :refused="remarks.action.refused.value" />
  </div>
</template>

<style scoped>
.tagging {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
.ofall {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
  margin-bottom: 6px;
}
.ofall input {
  max-width: 110px;
}
</style>
