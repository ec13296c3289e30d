<script setup lang="ts">
import { computed, ref } from 'vue'
import { Refused, api } from '@/api/client'
import type { CatalogueLine, Preview } from '@/api/types'
import { count } from '@/ui/format/format'
import GapStrip from './GapStrip.vue'
import PlayedProof from './PlayedProof.vue'
import TableProof from './TableProof.vue'

const props = defineProps<{
  /** The case. */
  number: string
  /** What is looked into. */
  line: CatalogueLine
}>()
const emit = defineEmits<{ /** Whether it takes the whole width. */ wide: [wide: boolean] }>()

const preview = ref<Preview>()
const trouble = ref('')
const page = ref(1)
const path = computed(() => `/api/cases/${props.number}/catalogue/${props.line.id}`)
void api.get('/api/cases/{number}/catalogue/{id}/preview', { path: { number: props.number, id: props.line.id } }).then(
  (p) => {
    preview.value = p
    emit('wide', !!p.play || p.shape === 'tables')
  },
  (e: unknown) => {
    trouble.value = e instanceof Refused ? e.message : 'The preview could not be fetched.'
  },
)
</script>

<template>
  <div class="look">
    <p v-if="trouble" class="s text-body-secondary">{{ trouble }}</p>
    <p v-else-if="!preview" class="s text-body-secondary" role="status">It is read …</p>
    <template v-else-if="preview.shape === 'picture'">
      <img
        :src="`${path}/picture?page=${page}`"
        :alt="preview.pages > 1 ? `Page ${page} of ${line.name}` : `What ${line.name} shows`"
        @error="trouble = 'It cannot be drawn: its content is damaged.'"
      />
      <p v-if="preview.pages > 1" class="d-flex align-items-center gap-2 s turn">
        <button type="button" class="linkish" :disabled="page === 1" @click="page--">page before</button>
        <span>page {{ count(page) }} of {{ count(preview.pages) }}</span>
        <button type="button" class="linkish" :disabled="page === preview.pages" @click="page++">next page</button>
      </p>
    </template>
    <PlayedProof v-else-if="preview.play" :number="number" :line="line" :play="preview.play" :unread="preview.unread" />
    <TableProof v-else-if="preview.shape === 'tables'" :tables="preview.tables" />
    <pre v-else-if="preview.shape === 'text'" tabindex="0" :aria-label="`Text of ${line.name}`">{{ preview.text }}</pre>
    <GapStrip v-if="preview?.unread.length && !preview.play" :unread="preview.unread" :shape="preview.shape" />
    <p v-if="preview && !trouble" class="xs text-body-secondary">{{ preview.words }}</p>
  </div>
</template>

<style scoped>
.look {
  min-height: 216px;
}
.look img {
  max-width: 300px;
  max-height: 210px;
  border: 1px solid var(--line-2);
  background: var(--sheet);
  display: block;
}
.turn {
  margin: 4px 0 0;
}
.look pre {
  max-height: 200px;
  overflow: auto;
  margin: 0;
  padding: 6px 8px;
  background: var(--sheet);
  border: 1px solid var(--line-2);
  font: 12px/16px var(--mono);
  white-space: pre-wrap;
}
</style>
