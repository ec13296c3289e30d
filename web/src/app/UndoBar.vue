<script setup lang="ts">
import { Undo2, X } from 'lucide-vue-next'
import { useUndo } from '@/api/undo'
import { useKeys } from '@/ui/keys'

const { current, trouble, undo, dismiss } = useUndo()
useKeys([{ key: 'U', does: '', run: () => void undo() }])
</script>

<template>
  <div role="status" aria-live="polite">
    <p v-if="current" class="undo sheet s">
      <span>{{ current.words }}</span><span v-if="trouble" class="c-stop">{{ trouble }}</span>
      <button type="button" class="btn btn-quiet btn-sm" @click="undo">
        <Undo2 class="ic s14" aria-hidden="true" /> Undo <span class="kbd">U</span>
      </button>
      <button type="button" class="btn btn-bare btn-sm" aria-label="Close" @click="dismiss">
        <X class="ic s14" aria-hidden="true" />
      </button>
    </p>
  </div>
</template>

<style scoped>
.undo {
  position: fixed;
  left: 50%;
  bottom: 40px;
  transform: translateX(-50%);
  z-index: 25;
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px 10px 8px 14px;
  border-color: var(--verd);
  border-left-width: 4px;
  max-width: 92vw;
}
</style>
