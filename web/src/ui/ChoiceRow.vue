<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue'
import { words } from '@/ui/format/format'
import { letterOf, optionFor, shownValues } from './choices'

const props = withDefaults(
  defineProps<{
    /** Shown before the choices. */
    label: string
    /** The question in words one can say; on hover. */
    ask: string
    /** All answers that there are, by their words in the protocol. */
    values: string[]
    /** What callers say most often; the rest is behind one key. All are shown where nothing is common. */
    common?: readonly string[]
    /** Whether a value is chosen. */
    isOn: (value: string) => boolean
    /** The row that the question to ask next points at. */
    asked?: boolean
    /** The key that leads to the row. */
    number?: number
  }>(),
  { common: () => [], number: undefined },
)
const emit = defineEmits<{ /** A value was chosen, or taken back. */ toggle: [value: string] }>()

const open = ref(false)
const row = useTemplateRef<HTMLElement>('row')
const shown = computed(() => shownValues(props.values, props.common, props.isOn, open.value))
const folds = computed(() => props.common.length > 0 && props.values.length + 1 > props.common.length)
const letters = computed(() => letterOf(shown.value.map(words)))

/**
 * Who reaches for a value as the line brings it means to choose it, not to take it back: for as long as a hand needs to
 * see the change, what came on by itself stays.
 */
const REACH_MS = 700
const cameOn = new Map<string, number>()
let own: string | undefined
watch(
  () => props.values.filter((v) => props.isOn(v)),
  (now, before) => {
    for (const value of now) if (!before.includes(value) && value !== own) cameOn.set(value, performance.now())
    own = undefined
  },
)
function pick(value: string): void {
  if (props.isOn(value) && performance.now() - (cameOn.get(value) ?? -REACH_MS) < REACH_MS) return
  own = props.isOn(value) ? undefined : value
  emit('toggle', value)
}

/**
 * One letter answers, right after the row was opened by its key: whoever tabs through, clicks or types a name while it
 * has the focus chooses nothing.
 */
let armed = false

/** A letter answers, arrows move from answer to answer. */
function key(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const all = [...(row.value?.querySelectorAll<HTMLButtonElement>('.opt') ?? [])]
  const at = all.indexOf(event.target as HTMLButtonElement)
  const step = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0
  if (step && at >= 0) {
    event.preventDefault()
    all[(at + step + all.length) % all.length]?.focus()
    return
  }
  const hit = armed ? optionFor(event.key, letters.value) : -1
  armed = armed && event.key.length > 1
  const value = hit >= 0 ? shown.value[hit] : undefined
  if (value !== undefined) {
    event.preventDefault()
    event.stopPropagation()
    all[hit]?.focus()
    pick(value)
  }
}
function opened(): void {
  row.value?.querySelector<HTMLButtonElement>('.opt')?.focus()
  armed = true
}
defineExpose({ /** Leads to the row; the next letter answers it. */ focus: opened })
</script>

<template>
  <div
    ref="row"
    class="row-choices"
    :class="{ asked }"
    role="group"
    :aria-label="`${label}: ${ask}`"
    @focusout="armed = false"
    @keydown="key"
  >
    <span class="name" :title="ask"
      ><span v-if="number" class="m no" aria-hidden="true">{{ number }}</span
      >{{ label }}</span
    >
    <span class="opts">
      <button
        v-for="(v, i) in shown"
        :key="v"
        type="button"
        class="opt"
        :class="{ on: isOn(v) }"
        :aria-pressed="isOn(v)"
        :aria-label="words(v)"
        @click="pick(v)"
      >
        <span aria-hidden="true"
          >{{ words(v).slice(0, letters[i]!.at) }}<u v-if="letters[i]!.letter">{{ words(v).charAt(letters[i]!.at) }}</u
          >{{ words(v).slice(letters[i]!.at + (letters[i]!.letter ? 1 : 0)) }}</span
        >
      </button>
      <button v-if="folds" type="button" class="linkish xs" :aria-expanded="open" @click="open = !open">
        {{ open ? 'fewer' : 'more' }}
      </button>
      <span v-if="asked" class="xs c-ok nextone">asked next</span>
    </span>
  </div>
</template>

<style scoped>
.row-choices {
  display: grid;
  grid-template-columns: 98px 1fr;
  gap: 6px;
  padding: 3px 0 3px 4px;
  border-bottom: 1px solid var(--line);
  border-left: 4px solid transparent;
}
.row-choices.asked {
  background: var(--verd-wash);
  border-left-color: var(--verd);
}
.name {
  font-weight: 650;
  font-size: 13px;
  line-height: 26px;
  white-space: nowrap;
}
.no {
  display: inline-block;
  width: 16px;
  color: var(--ink-2);
  font-weight: 450;
  font-size: 12px;
}
.opts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
}
.opt {
  padding: 0 7px;
}
.nextone {
  font-weight: 650;
}
@media (width <= 600px) {
  .row-choices {
    grid-template-columns: minmax(0, 1fr);
    gap: 2px;
  }
  .opt {
    height: 32px;
  }
}
</style>
