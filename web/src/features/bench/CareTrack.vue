<script setup lang="ts">
import type { CareProfile } from '@/api/types'
import { profileName, profileValues } from './profiles'

defineProps<{
  /** All that there are, gentlest first. */
  profiles: CareProfile[]
  /** The one in force. */
  current: string
  /** A session that is done cannot be made gentler. */
  locked: boolean
}>()
const emit = defineEmits<{ choose: [code: string] }>()
</script>

<template>
  <section aria-labelledby="h-care">
    <div class="hd">
      <h2 id="h-care">Care profile</h2>
      <span class="text-body-secondary xs">{{ locked ? 'as it was last' : 'takes effect at the next request' }}</span>
    </div>
    <div class="track" role="radiogroup" aria-labelledby="h-care">
      <button
        v-for="p in profiles"
        :key="p.code"
        type="button"
        role="radio"
        class="stop"
        :class="{ on: p.code === current }"
        :aria-checked="p.code === current"
        :disabled="locked"
        :title="p.words"
        @click="p.code === current || emit('choose', p.code)"
      >
        <i aria-hidden="true" /><span>{{ profileName(p.code) }}</span>
      </button>
    </div>
    <dl class="vals">
      <div v-for="v in profileValues(profiles.find((p) => p.code === current)!)" :key="v.what">
        <dt class="xs text-body-secondary">{{ v.what }}</dt>
        <dd class="m xs">{{ v.value }}</dd>
      </div>
    </dl>
  </section>
</template>

<style scoped>
.track {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  position: relative;
  margin: 6px 0 4px;
}
.track::before {
  content: '';
  position: absolute;
  left: 12.5%;
  right: 12.5%;
  top: 9px;
  border-top: 2px solid var(--edge);
}
.stop {
  background: none;
  border: 0;
  padding: 0;
  display: grid;
  justify-items: center;
  gap: 3px;
  font-size: 13px;
  color: var(--ink);
  position: relative;
}
.stop i {
  width: 12px;
  height: 18px;
  border: 2px solid var(--edge);
  background: var(--paper);
  border-radius: 2px;
}
.stop.on i {
  width: 16px;
  background: var(--verd);
  border-color: var(--verd);
}
.stop.on span {
  font-weight: 650;
}
.stop:disabled {
  color: var(--ink-2);
}
.vals {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
}
</style>
