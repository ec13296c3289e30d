<script setup lang="ts">
import { computed, ref } from 'vue'
import { useLive } from '@/api/live'
import type { Docket } from '@/api/types'
import { day } from '@/ui/format/format'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import CopyPlaceForm from './CopyPlaceForm.vue'
import CoverGrid from './CoverGrid.vue'
import { coverWords, foundWords, type Looked, PLACES, placeWords, uncovered } from './copies'

const props = defineProps<{ /** The case. */ docket: Docket }>()
const emit = defineEmits<{ changed: [] }>()

const copies = useLive(
  '/api/cases/{number}/copies',
  () => ({ path: { number: props.docket.number } }),
  (what, c) => c === props.docket.number && what === 'case',
)
const search = computed(() => copies.data.value)
const left = computed(() => (search.value ? uncovered(search.value) : []))
const noting = ref<string>()
const isOpen = computed(() => props.docket.stage !== 'closed')
const lastOfKind = (p: Looked) => search.value?.places.filter((o) => o.place === p.place).at(-1) === p
const one = (p: Looked): Looked => ({
  ...p,
  called: '',
  finding: { result: 'to-look', lookedBy: '', opened: '', covers: [], words: '' },
})

async function done(): Promise<void> {
  noting.value = undefined
  await copies.refresh()
  emit('changed')
}
</script>

<template>
  <div class="stack">
    <div class="hd">
      <h2>Looking for a copy</h2>
      <span class="text-body-secondary">before a device is worked on: what exists already need not be recovered</span>
    </div>
    <RefusedNote :refused="copies.refused.value" />
    <ComingLines :of="copies" :lines="7" />
    <template v-if="search">
      <section aria-labelledby="h-cover">
        <div class="hd">
          <h2 id="h-cover">What copies cover</h2>
          <span class="text-body-secondary">{{ coverWords(search) }}</span>
          <span class="flex-fill" />
          <RouterLink v-if="left.length && isOpen" class="link s" :to="`/cases/${docket.number}/triaged`"
            >Decide on a path for what is left</RouterLink
          >
        </div>
        <CoverGrid v-if="search.lines.length" :search="search" />
      </section>
      <section aria-labelledby="h-places">
        <div class="hd">
          <h2 id="h-places">Places</h2>
          <span v-if="search.lostAt" class="text-body-secondary">the loss was on {{ day(search.lostAt) }}</span>
        </div>
        <ul class="places">
          <li v-for="p in search.places" :key="placeWords(p)" :class="p.finding.result">
            <div class="place">
              <p>
                <b>{{ placeWords(p) }}</b>
                <span v-if="!p.called" class="xs text-body-secondary"> {{ PLACES[p.place].where }}</span>
              </p>
              <p class="s what" :class="{ 'text-body-secondary': p.finding.result === 'to-look' }">
                {{ foundWords(p) }}
              </p>
              <p v-if="p.finding.words" class="s what">{{ p.finding.words }}</p>
              <p v-if="p.afterLoss" class="s c-warn">
                Its newest is newer than the loss: the loss itself may be in it. Open what is older.
              </p>
            </div>
            <p v-if="isOpen" class="acts">
              <button
                v-if="lastOfKind(p) && p.finding.result !== 'to-look'"
                type="button"
                class="linkish xs"
                @click="noting = `${p.place}+`"
              >
                another one
              </button>
              <button type="button" class="btn btn-quiet btn-sm" @click="noting = placeWords(p)">
                {{ p.finding.result === 'to-look' ? 'Note what is there' : 'Change' }}
                <span class="visually-hidden">: {{ placeWords(p) }}</span>
              </button>
            </p>
            <CopyPlaceForm
              v-if="noting === placeWords(p)"
              class="form"
              :number="docket.number"
              :of="p"
              :lines="search.lines"
              :further="p.called !== ''"
              @done="done"
              @left="noting = undefined"
            />
            <CopyPlaceForm
              v-if="noting === `${p.place}+` && lastOfKind(p)"
              class="form"
              :number="docket.number"
              :of="one(p)"
              :lines="search.lines"
              further
              @done="done"
              @left="noting = undefined"
            />
          </li>
        </ul>
      </section>
    </template>
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 16px;
  align-content: start;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 12px;
  padding: 7px 0 7px 12px;
  border-bottom: 1px solid var(--line);
  border-left: 3px dotted var(--edge);
}
li.found {
  border-left: 3px solid var(--verd);
}
li.nothing {
  border-left: 3px solid var(--line-2);
}
.what {
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  gap: 10px;
  align-items: center;
}
.form {
  grid-column: 1 / -1;
}
</style>
