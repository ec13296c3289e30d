<script setup lang="ts">
import type { Tape } from '@/api/types'
import CustodyTape from '@/ui/instruments/CustodyTape.vue'

defineProps<{ /** Of one case. */ tape: Tape }>()
const emit = defineEmits<{ /** Read the record and check it once more. */ check: [] }>()
</script>

<template>
  <div class="stack">
    <div class="hd">
      <h2>Custody</h2>
      <span class="text-body-secondary">newest on top; where two entries meet, their marks are equal</span
      ><span class="flex-fill" /><button type="button" class="btn btn-quiet btn-sm" @click="emit('check')">
        Check again
      </button>
    </div>
    <div v-if="tape.tears.length" class="stopbox" role="alert">
      <b>The record is torn at {{ tape.tears.length === 1 ? 'one place' : `${tape.tears.length} places` }}.</b>
      <ul>
        <li v-for="t in tape.tears" :key="t.words">{{ t.words }}</li>
      </ul>
      Nothing was lost from images or deliveries by this; only a manager may seal a delivery of this case now.
    </div>
    <p v-else class="s c-ok" role="status">
      {{ tape.entries.length === 1 ? 'The one entry stands' : `All ${tape.entries.length} entries meet` }}; none was
      changed, none is missing.
    </p>
    <CustodyTape :tape="tape" />
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 10px;
  align-content: start;
}
</style>
