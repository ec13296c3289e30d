<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed } from 'vue'
import { api } from '@/api/client'
import { useLink } from '@/api/link'
import { time } from '@/ui/format/format'

const AGAIN_MS = 4000
const { lostSince, busy, slow } = useLink()
const since = computed(() => (lostSince.value === undefined ? '' : time(new Date(lostSince.value).toISOString())))
// The stream of changes takes itself up again; whether anything answers at all is asked beside it.
useIntervalFn(() => {
  if (lostSince.value !== undefined) void api.get('/api/running').catch(() => undefined)
}, AGAIN_MS)
</script>

<template>
  <div class="strip" aria-live="polite">
    <p v-if="since" class="lost s" role="alert">
      <b>The lab's server has not answered since {{ since }}.</b> What you see is as it was then; what you type stays
      here. It is tried again by itself.
    </p>
    <p v-else-if="slow" class="slow s">The server takes longer than usual; it is still at it.</p>
    <span v-if="busy && !since" class="runs"><span class="visually-hidden">Working …</span></span>
  </div>
</template>

<style scoped>
.strip {
  position: relative;
}
.lost,
.slow {
  padding: 6px 20px;
  border-bottom: 1px solid var(--line-2);
  background: var(--warn-wash);
}
.runs {
  position: absolute;
  z-index: 30;
  inset: 0 0 auto;
  height: 3px;
  background: linear-gradient(90deg, transparent 0 30%, var(--verd) 45% 55%, transparent 70%);
  background-size: 300% 100%;
  animation: runs 1.2s linear infinite;
}
@keyframes runs {
  from {
    background-position: 100% 0;
  }
  to {
    background-position: 0 0;
  }
}
@media (prefers-reduced-motion: reduce) {
  .runs {
    animation: none;
    background: var(--verd);
  }
}
</style>
