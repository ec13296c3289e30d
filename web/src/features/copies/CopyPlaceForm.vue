<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { offerUndo } from '@/api/undo'
import type { CopySearch } from '@/api/types'
import { daysFromNow } from '@/ui/format/days'
import RefusedNote from '@/ui/RefusedNote.vue'
import { type Finding, type Looked, placeWords } from './copies'

const props = defineProps<{
  /** The case's number. */
  number: string
  /** The place that somebody looked at. */
  of: Looked
  /** The wanted lines. */
  lines: CopySearch['lines']
  /** Whether it is one more of its kind, which needs a name of its own. */
  further: boolean
}>()
const emit = defineEmits<{ /** It was noted. */ done: []; /** Nothing was noted. */ left: [] }>()

const before = props.of.finding
const fresh = before.result === 'to-look'
const result = ref<Finding['result']>(fresh ? 'found' : before.result)
const called = ref(props.of.called)
const lookedBy = ref(before.lookedBy)
const newest = ref(before.newest ?? '')
const opened = ref(before.opened)
const covers = ref([...before.covers])
const words = ref(before.words)
const noting = useAction()
const ready = computed(() => lookedBy.value.trim() !== '' && (!props.further || called.value.trim() !== ''))

function put(finding: Finding, name: string): Promise<unknown> {
  const body = { ...finding, newest: finding.newest || undefined, place: props.of.place, called: name }
  return api.put('/api/cases/{number}/copies', { path: { number: props.number }, body })
}
async function note(): Promise<void> {
  if (!ready.value) return
  const finding: Finding = {
    result: result.value,
    lookedBy: lookedBy.value,
    newest: newest.value || undefined,
    opened: opened.value,
    covers: covers.value,
    words: words.value,
  }
  const name = called.value.trim()
  if (!(await noting.run(() => put(finding, name)))) return
  offerUndo(`${placeWords({ ...props.of, called: name })} was noted.`, () => put(before, name))
  emit('done')
}
</script>

<template>
  <form class="sheet note" @submit.prevent="note">
    <div role="radiogroup" aria-label="What came of it" class="d-flex gap-1">
      <button
        v-for="r in ['found', 'nothing'] as const"
        :key="r"
        type="button"
        role="radio"
        class="opt"
        :class="{ on: result === r }"
        :aria-checked="result === r"
        @click="result = r"
      >
        {{ r === 'found' ? 'a copy is there' : 'nothing is there' }}
      </button>
    </div>
    <div class="fields">
      <p v-if="further">
        <label :for="`called-${of.place}`">Which one</label
        ><BFormInput :id="`called-${of.place}`" v-model="called" autofocus maxlength="100" />
      </p>
      <p>
        <label :for="`by-${of.place}`">Who looked</label
        ><BFormInput :id="`by-${of.place}`" v-model="lookedBy" :autofocus="!further" maxlength="100" />
      </p>
      <template v-if="result === 'found'">
        <p>
          <label :for="`newest-${of.place}`">Day of what is newest in it</label
          ><BFormInput :id="`newest-${of.place}`" v-model="newest" type="date" :max="daysFromNow(0)" />
        </p>
        <p>
          <label :for="`opened-${of.place}`">What of it was opened, as a sample</label
          ><BFormInput :id="`opened-${of.place}`" v-model="opened" maxlength="300" placeholder="nothing yet" />
        </p>
      </template>
    </div>
    <fieldset v-if="result === 'found' && lines.length">
      <legend>It holds</legend>
      <label v-for="l in lines" :key="l.wantedId" class="s"
        ><input v-model="covers" type="checkbox" class="form-check-input" :value="l.wantedId" /> “{{ l.words }}”</label
      >
    </fieldset>
    <p>
      <label :for="`words-${of.place}`">Besides</label
      ><BFormInput :id="`words-${of.place}`" v-model="words" maxlength="1000" />
    </p>
    <RefusedNote :refused="noting.refused.value" />
    <p class="d-flex gap-2">
      <span class="flex-fill" /><button type="button" class="btn btn-quiet" @click="emit('left')">Leave it</button
      ><BButton type="submit" variant="primary" :disabled="!ready || noting.busy.value">Note it</BButton>
    </p>
  </form>
</template>

<style scoped>
.note {
  display: grid;
  gap: 8px;
  padding: 10px 12px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 8px 12px;
}
p label {
  font-size: 12px;
  color: var(--ink-2);
}
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}
legend {
  float: none;
  margin: 0;
  font-size: 12px;
  color: var(--ink-2);
}
</style>
