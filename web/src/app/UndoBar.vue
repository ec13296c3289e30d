<script setup lang="ts">
import { Undo2, X } from 'lucide-vue-next'
import { onClickOutside } from '@vueuse/core'
import { ref, useTemplateRef } from 'vue'
import { useRoute } from 'vue-router'
import { useUndo } from '@/api/undo'
import { time } from '@/ui/format/format'
import { useKeys } from '@/ui/keys'

const route = useRoute()
const { done, newest, shown, trouble, undo, dismiss } = useUndo()
const open = ref(false)
const list = useTemplateRef<HTMLElement>('list')
const SHORT = 34
const short = (words: string) => (words.length > SHORT ? `${words.slice(0, SHORT)}…` : words)
useKeys([
  {
    key: 'U',
    // Where people type all the time, no single letter acts.
    does: () => (newest.value && !route.meta.typing ? `undo: ${short(newest.value.words)}` : undefined),
    run: () => void undo(newest.value),
  },
])
onClickOutside(list, () => (open.value = false))
</script>

<template>
  <div role="status" aria-live="polite">
    <div v-if="(shown && newest) || trouble || open" ref="list" class="undo sheet s">
      <p v-if="trouble" class="c-stop">{{ trouble }}</p>
      <p v-for="(u, i) in open ? done : done.slice(0, 1)" :key="u.at + u.words" class="one">
        <span class="m xs text-body-secondary">{{ time(new Date(u.at).toISOString()) }}</span>
        <span>{{ u.words }}</span><span class="flex-fill" />
        <button type="button" class="btn btn-quiet btn-sm" :aria-label="`Undo: ${u.words}`" @click="undo(u)">
          <Undo2 class="ic s14" aria-hidden="true" /> Undo <span v-if="i === 0" class="kbd">U</span>
        </button>
        <button
          v-if="i === 0"
          type="button"
          class="btn btn-bare btn-sm"
          aria-label="Close"
          @click="((open = false), dismiss())"
        >
          <X class="ic s14" aria-hidden="true" />
        </button>
      </p>
      <button v-if="!open && done.length > 1" type="button" class="linkish xs" @click="open = true">
        {{ done.length - 1 }} more of the last minutes can be undone
      </button>
    </div>
  </div>
</template>

<style scoped>
.undo {
  position: fixed;
  left: 50%;
  bottom: 40px;
  transform: translateX(-50%);
  z-index: 25;
  display: grid;
  gap: 4px;
  padding: 8px 10px 8px 14px;
  border-color: var(--verd);
  border-left-width: 4px;
  width: max-content;
  max-width: 92vw;
}
.one {
  display: flex;
  align-items: center;
  gap: 12px;
}
.linkish {
  justify-self: start;
}
</style>
