<script setup lang="ts">
import type { Refused } from '@/api/client'
import { count } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'

defineProps<{
  /** What is done just now; empty where nothing is. */
  doing: string
  /** So many were done. */
  done: number
  /** Of so many. */
  total: number
  /** What is counted. */
  counted: string
  /** How far it is, where nothing is done just now. */
  words: string
  /** More of that, for those who look. */
  title: string
  /** What can be begun; empty for nothing. */
  offer: string
  /** Something was asked and is not answered yet. */
  busy: boolean
  /** Why the last wish was not met. */
  refused: Refused | undefined
}>()
const emit = defineEmits<{ begin: []; pause: [] }>()
</script>

<template>
  <span class="s ahead">
    <template v-if="doing">
      <span role="status">{{ doing }}: {{ count(done) }} of {{ count(total) }}</span>
      <progress :value="done" :max="total || 1" :aria-label="counted" />
      <button type="button" class="linkish s" :disabled="busy" @click="emit('pause')">pause</button>
    </template>
    <template v-else>
      <span v-if="words" class="text-body-secondary" :title="title">{{ words }}</span>
      <button v-if="offer" type="button" class="linkish s" :title="title" :disabled="busy" @click="emit('begin')">
        {{ offer }}
      </button>
    </template>
    <RefusedNote :refused="refused" />
  </span>
</template>

<style scoped>
.ahead {
  display: inline-flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
}
progress {
  width: 90px;
  height: 8px;
  accent-color: var(--verd);
}
</style>
