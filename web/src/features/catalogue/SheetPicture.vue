<script setup lang="ts">
import { computed, onBeforeUnmount, ref, useTemplateRef } from 'vue'
import type { CatalogueLine } from '@/api/types'
import { percent } from '@/ui/format/format'
import { likeWords } from './alike'
import { calledOf, placeOf } from './lines'
import { remarkSigns } from './remarks'

const props = defineProps<{
  /** The case. */
  number: string
  /** The picture. */
  line: CatalogueLine
  /** It is the one at hand. */
  at: boolean
  /** A hand is being dragged over it. */
  held: boolean
  /** Its proof is open. */
  open: boolean
  /** So many look nearly the same. */
  like: number
  /** They hang beside it. */
  spread: boolean
}>()
const emit = defineEmits<{
  /** It is chosen, or given up. */
  select: []
  /** Those that look nearly the same are to hang beside it, or to lie beneath it again. */
  spread: []
}>()

const blind = ref(false)
const drawn = useTemplateRef<HTMLImageElement>('drawn')
// What was passed by is not waited for: else all that is asked for next stands behind it.
onBeforeUnmount(() => drawn.value?.removeAttribute('src'))
const share = computed(() => (props.line.size ? props.line.readBytes / props.line.size : 1))
const state = computed(() =>
  props.line.prognosis === 'gapped'
    ? `gapped, ${percent(props.line.readBytes, props.line.size)}`
    : props.line.prognosis,
)
const signs = computed(() => remarkSigns(props.line.remark).join(', '))
const words = computed(() =>
  [calledOf(props.line), state.value, placeOf(props.line), signs.value].filter(Boolean).join(', '),
)
</script>

<template>
  <div class="frame" :class="[line.prognosis, { at, held, chosen: line.selected, open, pile: like && !spread }]">
    <button
      type="button"
      class="picture"
      :tabindex="at ? 0 : -1"
      :aria-label="words"
      :aria-expanded="open"
      :title="words"
      draggable="false"
    >
      <img
        v-if="!blind"
        ref="drawn"
        fetchpriority="low"
        :src="`/api/cases/${number}/catalogue/${line.id}/small`"
        alt=""
        loading="lazy"
        decoding="async"
        draggable="false"
        @error="blind = true"
      />
      <span v-else class="none xs"
        ><b>{{ line.kind }}</b> no small picture</span
      >
      <span v-if="line.prognosis === 'gapped'" class="strips" :style="{ '--gone': 1 - share }" aria-hidden="true" />
    </button>
    <label class="caption xs"
      ><input
        type="checkbox"
        class="form-check-input"
        :checked="line.selected"
        :tabindex="at ? 0 : -1"
        :aria-label="`Select ${calledOf(line)}`"
        @change="emit('select')"
        @pointerdown.stop
      /><span v-if="line.prognosis !== 'whole'" class="state" :title="state">{{ state }}</span
      ><span v-if="signs" class="state said" :title="signs">{{ signs }}</span></label
    >
    <button
      v-if="like"
      type="button"
      class="linkish xs like"
      :tabindex="at ? 0 : -1"
      :aria-expanded="spread"
      :title="spread ? 'These look nearly the same' : 'The best of some that look nearly the same'"
      @click.stop="emit('spread')"
      @pointerdown.stop
    >
      {{ likeWords(like) }}
    </button>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  width: var(--edge-size);
}
.picture {
  position: relative;
  display: grid;
  place-items: center;
  width: 100%;
  height: var(--edge-size);
  padding: 0;
  border: 1px solid var(--line-2);
  background: var(--well);
  color: inherit;
  overflow: hidden;
}
.picture img {
  width: 100%;
  height: 100%;
  object-fit: cover;
}
.none {
  display: grid;
  padding: 4px;
  color: var(--ink-2);
}

/* A corner is torn off what is in doubt. */
.doubtful .picture,
.overwritten .picture {
  border-style: dashed;
  clip-path: polygon(0 0, 68% 0, 74% 10%, 82% 12%, 86% 22%, 94% 24%, 100% 34%, 100% 100%, 0 100%);
}
.overwritten .picture img {
  opacity: 0.35;
}

/* Strips are missing where bytes were never read. */
.strips {
  position: absolute;
  inset: 0;
  background: repeating-linear-gradient(
    to bottom,
    transparent 0 18%,
    var(--paper) 18% calc(18% + max(3px, 8% * var(--gone)))
  );
}

/* Edges of those that lie beneath. */
.pile .picture {
  box-shadow:
    3px 3px 0 -1px var(--paper),
    3px 3px 0 0 var(--line-2),
    6px 6px 0 -1px var(--paper),
    6px 6px 0 0 var(--line-2);
}
.like {
  position: absolute;
  right: 0;
  bottom: 0;
  min-height: 24px;
}
.caption {
  display: flex;
  align-items: center;
  gap: 5px;
  min-height: 24px;
}
.caption .form-check-input {
  flex: none;
  margin: 0;
}
.state {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.said {
  font-weight: 650;
}
.chosen {
  box-shadow: 0 0 0 3px var(--heather);
}
.held,
.at {
  outline: 3px solid var(--verd);
  outline-offset: 2px;
}
.picture:focus-visible {
  outline: 0;
}
</style>
