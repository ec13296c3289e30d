<script setup lang="ts">
import { computed } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import { offerUndo } from '@/api/undo'
import RefusedNote from '@/ui/RefusedNote.vue'

const props = defineProps<{
  /** The case. */
  number: string
}>()
/** The question at hand. */
const words = defineModel<string>({ required: true })

const kept = useLive(
  '/api/cases/{number}/catalogue/questions',
  () => ({ path: { number: props.number } }),
  (what, c) => c === props.number && what === 'question',
)
const changing = useAction()
const path = computed(() => ({ number: props.number }))
const plain = computed(() => words.value.trim())
const isKept = computed(() => kept.data.value?.some((k) => k.words.toLowerCase() === plain.value.toLowerCase()))

async function keep(what: string): Promise<void> {
  await api.post('/api/cases/{number}/catalogue/questions', { path: path.value, body: { words: what } })
  await kept.refresh()
}
async function forget(id: number, what: string): Promise<void> {
  await changing.run(async () => {
    await api.delete('/api/cases/{number}/catalogue/questions/{id}', { path: { ...path.value, id } })
    offerUndo(`“${what}” is no longer kept.`, () => keep(what))
    await kept.refresh()
  })
}
</script>

<template>
  <div v-if="plain || kept.data.value?.length" class="kept">
    <span v-if="kept.data.value?.length" class="xs text-body-secondary">kept:</span>
    <span v-for="k in kept.data.value ?? []" :key="k.id" class="one">
      <button
        type="button"
        class="linkish s"
        :aria-pressed="k.words.toLowerCase() === plain.toLowerCase()"
        :title="`kept by ${k.keptBy}`"
        @click="words = k.words"
      >
        {{ k.words }}
      </button>
      <button type="button" class="let-go s" :aria-label="`Let “${k.words}” go`" @click="forget(k.id, k.words)">
        ×
      </button>
    </span>
    <button
      v-if="plain && !isKept"
      type="button"
      class="linkish s"
      :disabled="changing.busy.value"
      @click="changing.run(() => keep(plain))"
    >
      keep this question
    </button>
    <RefusedNote :refused="changing.refused.value" />
  </div>
</template>

<style scoped>
.kept {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 12px;
}
.one {
  display: inline-flex;
  align-items: center;
  max-width: min(300px, 100%);
}
.one .linkish {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.one [aria-pressed='true'] {
  color: var(--ink);
  font-weight: 650;
  text-decoration: none;
}
.let-go {
  min-width: 24px;
  min-height: 24px;
  border: 0;
  background: none;
  color: var(--ink-2);
}
</style>
