<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { pieces, type HeardItem, type TakenBack } from './heard'

const props = defineProps<{
  /** What is picked out of the line. */
  items: readonly HeardItem[]
  /** What was said and then taken back. */
  takenBack: readonly TakenBack[]
}>()
const emit = defineEmits<{
  /** Something that was heard is taken away. */
  takeAway: [key: string]
  /** The line is left by the keyboard for what comes after it; what was heard is gone back to. */
  leave: []
}>()
const line = defineModel<string>({ required: true })

const field = useTemplateRef<HTMLTextAreaElement>('field')
const shown = ref<string>()
/** Longer lines are not heard, so there is nothing to mark in them. */
const LONGEST = 20_000
const marked = computed(() => (line.value.length > LONGEST ? [] : pieces(line.value, props.items, props.takenBack)))
const MOST_NUMBERED = 9

/** Alt and a number take away what has that number, without leaving the field. */
function byNumber(event: KeyboardEvent): void {
  if (event.key === 'Tab' && !event.shiftKey) {
    event.preventDefault()
    emit('leave')
    return
  }
  const n = /^Digit([1-9])$/.exec(event.code)?.[1]
  const item = event.altKey && !event.ctrlKey && n ? props.items[Number(n) - 1] : undefined
  if (!item) return
  event.preventDefault()
  emit('takeAway', item.key)
}
const saidOf = (item: HeardItem) =>
  `${item.label}, heard in “${item.words}”${item.instead ? `, instead of “${item.instead}”` : ''}`
onMounted(() => field.value?.focus())
defineExpose({ focus: () => field.value?.focus() })
</script>

<template>
  <div class="free">
    <label for="story" class="lab">Type as they talk. Facts are picked out; what is not sure stays text.</label>
    <div class="paper">
      <p class="under" data-over aria-hidden="true">
        <template v-for="(p, i) in marked" :key="i"
          ><mark v-if="p.key" :class="{ on: p.key === shown }">{{ p.text }}</mark
          ><del v-else-if="p.gone">{{ p.text }}</del
          ><span v-else>{{ p.text }}</span></template
        ><span>&nbsp;</span>
      </p>
      <textarea
        id="story"
        ref="field"
        v-model="line"
        rows="2"
        spellcheck="true"
        placeholder="fell off the bench, clicks, tried twice, lab notes since 2011, needs it by friday"
        aria-describedby="heard-hint"
        @keydown="byNumber"
      />
    </div>
    <ul class="heard" aria-label="Heard in the line">
      <li v-for="(item, i) in items" :key="item.key" @mouseenter="shown = item.key" @mouseleave="shown = undefined">
        <button
          type="button"
          class="fact told"
          :aria-label="`${saidOf(item)}; take it away`"
          :title="`“${item.words}”`"
          @focus="shown = item.key"
          @blur="shown = undefined"
          @keydown.delete.prevent="emit('takeAway', item.key)"
          @click="emit('takeAway', item.key)"
        >
          <span v-if="i < MOST_NUMBERED" class="no" aria-hidden="true">{{ i + 1 }}</span>{{ item.label
          }}<span v-if="item.instead" class="instead" aria-hidden="true">
            not <del>{{ item.instead }}</del></span
          ><span class="x" aria-hidden="true">×</span>
        </button>
      </li>
      <li v-if="!items.length" id="heard-hint" class="xs text-body-secondary">Nothing is picked out yet.</li>
      <li v-else id="heard-hint" class="xs text-body-secondary hint">
        <span class="kbd">Alt 1</span>–<span class="kbd">9</span> takes one away
      </li>
    </ul>
  </div>
</template>

<style scoped>
.instead {
  color: var(--ink-2);
}
.under del {
  text-decoration-thickness: 2px;
  text-decoration-color: var(--madder);
}
.paper {
  position: relative;
  display: grid;
  border: 2px solid var(--verd);
  border-radius: 3px;
  background: var(--sheet);
}
.under,
textarea {
  grid-area: 1 / 1;
  font: 400 15px/22px var(--sans);
  padding: 6px 10px;
  margin: 0;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
  min-height: 58px;
  border: 0;
  letter-spacing: normal;
}
.under {
  color: transparent;
  pointer-events: none;
}
textarea {
  background: transparent;
  color: var(--ink);
  resize: none;
  overflow: auto;
  width: 100%;
  height: 100%;
}
textarea::placeholder {
  color: var(--ink-2);
}
textarea:focus-visible {
  outline: 0;
}
.paper:focus-within {
  outline: 2px solid var(--focus);
  outline-offset: 1px;
}
mark {
  color: transparent;
  background: var(--heather-wash);
  border-bottom: 2px solid var(--heather);
  padding: 0;
}
mark.on {
  background: var(--verd-wash);
  border-bottom-color: var(--verd);
}
.heard {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  padding: 6px 0 2px;
  min-height: 32px;
  align-items: center;
}
.heard button {
  cursor: pointer;
  color: var(--ink);
  min-height: 24px;
}
.no {
  color: var(--ink-2);
  font-size: 11px;
}
.x {
  color: var(--ink-2);
  font-size: 14px;
  line-height: 14px;
}
.hint {
  margin-left: auto;
}
</style>
