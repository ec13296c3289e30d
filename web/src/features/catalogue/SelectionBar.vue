<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import type { CataloguePage } from '@/api/types'
import { bytes, count, size } from '@/ui/format/format'
import FillGauge from '@/ui/instruments/FillGauge.vue'
import SelectionSets from './SelectionSets.vue'
import { openLines } from './steps'

const props = defineProps<{
  /** The case. */
  number: string
  /** What is shown, and what of all is chosen. */
  page: CataloguePage
  /** A choice is on its way to the server. */
  busy: boolean
  /** Takes the last choice back. */
  undo: (() => unknown) | undefined
}>()
const emit = defineEmits<{
  /** All that pass the filter are to be chosen, or none of them. */
  select: [all: boolean]
  /** It is to be laid out, and recovered. */
  recover: []
}>()
const opened = ref(false)
const selection = computed(() => props.page.selection)
const stillOpen = computed(() => openLines(props.page.wanted))
</script>

<template>
  <div>
    <SelectionSets v-if="opened" :number="number" :chosen="selection.files" />
    <footer class="chosen">
      <div class="fig">
        <b>{{ count(selection.files) }}</b><span>selected</span>
      </div>
      <div class="fig">
        <b :title="bytes(selection.bytes)">{{ size(selection.bytes) }}</b><span>to write</span>
      </div>
      <p class="s parts">
        <span><FillGauge prognosis="whole" :height="14" /> {{ selection.whole }} whole</span
        ><span><FillGauge prognosis="gapped" :share="0.7" :height="14" /> {{ selection.gapped }} gapped</span
        ><span><FillGauge prognosis="doubtful" :height="14" /> {{ selection.doubtful }} doubtful or overwritten</span
        ><br /><span class="xs text-body-secondary">{{
          stillOpen.length
            ? stillOpen.join('; ')
            : page.wanted.some((w) => w.line.mustHave)
              ? 'of every must-have line as many are chosen as were hoped for'
              : ''
        }}</span>
      </p>
      <span class="flex-fill" />
      <button type="button" class="btn btn-quiet btn-sm" :aria-expanded="opened" @click="opened = !opened">
        Kept and changes <span aria-hidden="true">{{ opened ? '▾' : '▴' }}</span>
      </button>
      <button v-if="undo" type="button" class="btn btn-quiet btn-sm" @click="undo()">
        Undo <span class="kbd">U</span>
      </button>
      <button
        type="button"
        class="btn btn-quiet"
        :disabled="busy || (page.exact && !page.matching)"
        @click="emit('select', true)"
      >
        {{ page.exact ? `Select all ${count(page.matching)}` : 'Select all that pass' }}
      </button>
      <button type="button" class="btn btn-quiet" :disabled="busy || !selection.files" @click="emit('select', false)">
        Deselect these
      </button>
      <BButton variant="primary" :disabled="!selection.files" @click="emit('recover')"
        >Recover selection <span class="kbd">R</span></BButton
      >
    </footer>
  </div>
</template>

<style scoped>
.parts > span {
  margin-right: 10px;
  display: inline-flex;
  gap: 5px;
  align-items: center;
}
</style>
