<script setup lang="ts">
import { computed } from 'vue'
import type { ImagingView } from '@/api/types'
import { passRows, passWords } from './profiles'

const props = defineProps<{ /** Whose passes are listed, those to come as well. */ session: ImagingView }>()
const passes = computed(() => passRows(props.session))
const mostRead = computed(() => Math.max(1, ...passes.value.map((p) => p.readBytes)))
</script>

<template>
  <section aria-labelledby="h-pass">
    <div class="hd"><h2 id="h-pass">Passes</h2></div>
    <ol class="passes">
      <li v-for="(p, i) in passes" :key="p.pass" :class="p.state">
        <span class="m">{{ i + 1 }}</span><span class="nm">{{ p.pass }}</span
        ><span class="pbar" aria-hidden="true"
          ><i :style="{ width: `${Math.max(p.readBytes ? 1 : 0, (100 * p.readBytes) / mostRead)}%` }" /></span
        ><span class="xs" :class="{ 'text-body-secondary': p.state === 'next' }">{{ passWords(p) }}</span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.passes li {
  display: grid;
  grid-template-columns: 14px 92px minmax(40px, 1fr) minmax(0, 1.5fr);
  gap: 8px;
  padding: 2px 0;
  border-bottom: 1px solid var(--line);
  font-size: 13px;
  align-items: center;
}
.passes .now .nm {
  font-weight: 650;
}
.passes .next .nm {
  color: var(--ink-2);
}
.pbar {
  height: 8px;
  background: var(--well);
  border: 1px solid var(--line-2);
}
.pbar i {
  display: block;
  height: 100%;
  background: var(--fill);
}
</style>
