<script setup lang="ts">
import { MessageSquare, Phone } from 'lucide-vue-next'
import { BButton, BFormTextarea } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { Docket } from '@/api/types'
import { dayAndTime } from '@/ui/format/format'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { mentionPieces } from './mentions'

const props = defineProps<{ /** The case. */ docket: Docket }>()
const notes = useLive(
  '/api/cases/{number}/notes',
  () => ({ path: { number: props.docket.number } }),
  (what, c) => what === 'note' && c === props.docket.number,
)
const people = useLive(
  '/api/staff',
  () => ({}),
  (what) => what === 'staff',
)
const writing = useAction()
const kind = ref<'note' | 'call'>('note')
const words = ref('')

async function write(): Promise<void> {
  if (
    await writing.run(() =>
      api.post('/api/cases/{number}/notes', {
        path: { number: props.docket.number },
        body: { kind: kind.value, words: words.value },
      }),
    )
  ) {
    words.value = ''
    await notes.refresh()
  }
}
function mention(login: string): void {
  words.value = `${words.value.replace(/\s+$/, '')}${words.value.trim() ? ' ' : ''}@${login} `
}
</script>

<template>
  <div class="stack">
    <div class="hd">
      <h2>Notes and calls</h2>
      <span class="text-body-secondary">what was said and noted since</span>
    </div>
    <form class="sheet write" @submit.prevent="write">
      <p class="d-flex align-items-center gap-2">
        <span role="group" aria-label="What it is" class="d-flex align-items-center gap-1"
          ><button
            v-for="k in ['note', 'call'] as const"
            :key="k"
            type="button"
            class="opt"
            :class="{ on: kind === k }"
            :aria-pressed="kind === k"
            @click="kind = k"
          >
            {{ k }}
          </button></span
        >
        <span class="flex-fill" /><span class="xs text-body-secondary">tell</span>
        <button
          v-for="p in people.data.value"
          :key="p.login"
          type="button"
          class="linkish xs"
          @click="mention(p.login)"
        >
          @{{ p.login }}
        </button>
      </p>
      <BFormTextarea
        v-model="words"
        rows="2"
        max-rows="8"
        :aria-label="kind === 'call' ? 'What was said' : 'The note'"
        :placeholder="kind === 'call' ? 'What was said on the phone' : 'A note; @name tells a colleague'"
        @keydown.ctrl.enter="write"
      />
      <RefusedNote :refused="writing.refused.value" />
      <p class="d-flex align-items-center">
        <span class="flex-fill" /><BButton
          type="submit"
          variant="primary"
          :disabled="writing.busy.value || !words.trim()"
          >Write it down <span class="kbd">Ctrl ⏎</span></BButton
        >
      </p>
    </form>
    <RefusedNote :refused="notes.refused.value" />
    <ComingLines :of="notes" :lines="4" />
    <ol v-if="notes.data.value?.length">
      <li v-for="n in notes.data.value" :key="n.id" class="note">
        <component :is="n.kind === 'call' ? Phone : MessageSquare" class="ic s14" aria-hidden="true" />
        <div>
          <p class="xs text-body-secondary">{{ n.kind }}, {{ n.who }}, {{ dayAndTime(n.at) }}</p>
          <p class="words">
            <template v-for="(p, i) in mentionPieces(n.words)" :key="i"
              ><b v-if="p.mention" class="c-ok">{{ p.text }}</b
              ><template v-else>{{ p.text }}</template></template
            >
          </p>
        </div>
      </li>
    </ol>
    <p v-else-if="notes.data.value" class="empty">Nothing has been noted yet.</p>
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 10px;
  align-content: start;
}
.write {
  padding: 10px 12px;
  display: grid;
  gap: 8px;
}
.note {
  display: grid;
  grid-template-columns: 20px 1fr;
  padding: 7px 0;
  border-bottom: 1px solid var(--line);
}
.words {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
</style>
