<script setup lang="ts">
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { api, Refused } from '@/api/client'
import { dayAndTime } from '@/ui/format/format'
import { useKeys } from '@/ui/keys'
import { doings, said, type News } from './news'

const props = defineProps<{
  /** The case that this person opened. */
  number: string
  /** How many entries its record has by now: what came since, they saw come. */
  entries: number
}>()

/** As it was when the case was opened. */
const news = shallowRef<News>()
const read = ref(false)
const told = computed(() => doings(news.value?.did ?? []))
const isShown = computed(() => !read.value && told.value.length > 0)

async function open(): Promise<void> {
  try {
    news.value = await api.get('/api/cases/{number}/presence/news', { path: { number: props.number } })
    if (!news.value.at) await seen()
  } catch (e) {
    // What is new is not known then; the page says what it could not fetch.
    if (!(e instanceof Refused)) throw e
  }
}
async function seen(): Promise<void> {
  if (!news.value || read.value) return
  read.value = true
  const parts = { path: { number: props.number }, body: { upTo: Math.max(news.value.upTo, props.entries) } }
  await api.put('/api/cases/{number}/presence/news', parts).catch(() => undefined)
}
void open()
onScopeDispose(() => void seen())
useKeys([{ key: 'G', does: () => (isShown.value ? 'seen' : undefined), run: () => void seen() }])
</script>

<template>
  <aside v-if="isShown" class="since" aria-label="Since you last looked">
    <p>
      <b>Since you last looked</b>, {{ dayAndTime(news?.at ?? '') }}:
      <span v-if="news?.more" class="text-body-secondary">{{ news.more }} more before, then </span>
      <span v-for="(d, i) in told" :key="i" class="doing"
        ><b>{{ d.who }}</b> {{ said(d) }} <span class="xs text-body-secondary">({{ dayAndTime(d.at) }})</span
        >{{ i < told.length - 1 ? '; ' : '.' }}</span
      >
    </p>
    <p class="acts">
      <RouterLink class="link xs" :to="`/cases/${number}/custody`">all of it</RouterLink>
      <button type="button" class="btn btn-quiet btn-sm" @click="seen">Seen <span class="kbd">G</span></button>
    </p>
  </aside>
</template>

<style scoped>
.since {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 14px;
  max-height: 30vh;
  overflow: auto;
  margin: 6px 20px;
  padding: 7px 12px;
  background: var(--sheet);
  border: 1px solid var(--line-2);
  border-left: 4px solid var(--heather);
  border-radius: 2px;
}
.doing {
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  gap: 10px;
  align-items: center;
  align-self: start;
}
@media (width <= 900px) {
  .since {
    margin: 6px 14px;
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
