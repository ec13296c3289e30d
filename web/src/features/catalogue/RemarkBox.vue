<script setup lang="ts">
import { BFormInput, BFormTextarea } from 'bootstrap-vue-next'
import { computed, ref, useId, watch } from 'vue'
import { useLive } from '@/api/live'
import type { CatalogueLine } from '@/api/types'
import { dayAndTime } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { calledOf } from './lines'
import { SAYS, turned } from './remarks'
import { useRemarks } from './useRemarks'

const props = defineProps<{
  /** The case. */
  number: string
  /** The finding that is remarked on. */
  line: CatalogueLine
}>()

const id = useId()
const remarks = useRemarks(() => props.number)
const tags = useLive(
  '/api/cases/{number}/catalogue/remarks/tags',
  () => ({ path: { number: props.number } }),
  (what, c) => c === props.number && what === 'catalogue',
)
const remark = computed(() => props.line.remark)
const tag = ref('')
const called = ref('')
const note = ref('')
/** What nobody is typing in follows the record. */
const typing = ref<'called' | 'note'>()
watch(
  [() => props.line.id, () => remark.value?.called, () => remark.value?.note],
  ([line], [before]) => {
    if (typing.value !== 'called' || line !== before) called.value = remark.value?.called ?? ''
    if (typing.value !== 'note' || line !== before) note.value = remark.value?.note ?? ''
  },
  { immediate: true },
)

async function giveTag(): Promise<void> {
  if (tag.value.trim() && (await remarks.say(props.line, { tag: tag.value }))) tag.value = ''
}
async function keep(): Promise<void> {
  typing.value = undefined
  if (called.value.trim() !== (remark.value?.called ?? '')) await remarks.say(props.line, { called: called.value })
  if (note.value.trim() !== (remark.value?.note ?? '')) await remarks.say(props.line, { note: note.value })
}
</script>

<template>
  <section class="remark" :aria-label="`Remarks on ${calledOf(line)}`">
    <div class="whose" role="group" aria-label="Whose it is">
      <button
        v-for="[says, words] in SAYS.slice(0, 2)"
        :key="says"
        type="button"
        class="opt"
        :class="{ on: remark?.whose === says }"
        :aria-pressed="remark?.whose === says"
        @click="remarks.say(line, { whose: turned(remark, says) })"
      >
        {{ words }} <span class="kbd" aria-hidden="true">{{ says === 'theirs' ? 'Y' : 'N' }}</span>
      </button>
    </div>
    <form class="tags" @submit.prevent="giveTag">
      <span v-for="t in remark?.tags" :key="t" class="sign"
        >{{ t
        }}<button
          type="button"
          class="off"
          :aria-label="`Take the tag “${t}” away`"
          @click="remarks.say(line, { untag: t })"
        >
          ×
        </button></span
      >
      <label :for="`${id}-tag`" class="visually-hidden">Tag</label>
      <BFormInput
        :id="`${id}-tag`"
        v-model="tag"
        class="tagin"
        size="sm"
        maxlength="40"
        placeholder="tag"
        :list="`${id}-tags`"
      />
      <datalist :id="`${id}-tags`"><option v-for="t in tags.data.value" :key="t.tag" :value="t.tag" /></datalist>
    </form>
    <label class="field s"
      ><span>Name in the delivery</span
      ><BFormInput
        v-model="called"
        size="sm"
        maxlength="255"
        :placeholder="line.stands?.name ?? line.suggestedName ?? line.name"
        @focus="typing = 'called'"
        @keydown.enter="keep"
        @blur="keep"
    /></label>
    <label class="field s grows"
      ><span>Note</span
      ><BFormTextarea v-model="note" size="sm" rows="1" maxlength="2000" @focus="typing = 'note'" @blur="keep"
    /></label>
    <p v-if="remark" class="xs text-body-secondary by">{{ remark.who }}, {{ dayAndTime(remark.at) }}</p>
    <RefusedNote :refused="remarks.action.refused.value" />
  </section>
</template>

<style scoped>
.remark {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 16px;
  border-top: 1px solid var(--line);
  padding-top: 8px;
}
.whose,
.tags {
  display: inline-flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
}
.opt {
  padding: 0 7px;
}
.tagin {
  width: 110px;
}
.off {
  min-width: 24px;
  min-height: 22px;
  border: 0;
  background: none;
  color: var(--ink-2);
}
.field {
  display: flex;
  align-items: center;
  gap: 8px;
}
.field span {
  white-space: nowrap;
  color: var(--ink-2);
}
.grows {
  flex: 1 1 220px;
}
.grows textarea {
  field-sizing: content;
  max-height: 140px;
  min-height: 30px;
}
.by {
  margin: 0;
}
</style>
