<script setup lang="ts">
import { computed } from 'vue'
import type { ScanReport } from '@/api/types'
import { bytes, percent, size } from '@/ui/format/format'
import { holds, rowName, strataOf, wholeShare } from './strata'

const props = defineProps<{
  /** Of the session whose volumes are drawn. */
  report: ScanReport
  /** Index of the volume whose facts are shown. */
  open: number | undefined
}>()
const emit = defineEmits<{ /** A volume was chosen, or the open one again. */ open: [index: number | undefined] }>()

const strata = computed(() => strataOf(props.report))
const rows = computed(() =>
  [...new Set(strata.value.map((s) => s.row))].map((row) => ({
    row,
    name: rowName(row),
    boxes: strata.value.filter((s) => s.row === row),
  })),
)
</script>

<template>
  <div v-if="strata.length" class="strata" role="group" aria-label="Volumes by place, generations below each other">
    <div class="scale m xs text-body-secondary" aria-hidden="true">
      <span>0</span><span :title="bytes(report.size)">{{ size(report.size) }}</span>
    </div>
    <div v-for="r in rows" :key="r.row" class="row">
      <span class="xs text-body-secondary">{{ r.name }}</span>
      <div class="boxes">
        <button
          v-for="s in r.boxes"
          :key="s.volume.index"
          type="button"
          class="volume"
          :class="[s.volume.state, { open: s.volume.index === open }]"
          :style="{ left: `${100 * s.left}%`, width: `calc(${100 * s.width}% - 6px)` }"
          :aria-pressed="s.volume.index === open"
          @click="emit('open', s.volume.index === open ? undefined : s.volume.index)"
        >
          <b>{{ s.volume.label || `volume ${s.volume.index}` }}</b>
          <span class="xs"
            >{{ s.volume.fs.toUpperCase() }}, {{ s.volume.state }}, {{ size(s.volume.lengthBytes) }}</span
          >
          <span class="xs text-body-secondary">{{ holds(s.volume, s.counts) }}</span>
          <span
            v-if="wholeShare(s.counts) !== undefined"
            class="whole"
            :title="`${percent(s.counts?.prognoses.whole ?? 0, s.counts?.findings ?? 0)} whole`"
            ><i :style="{ width: `${100 * (wholeShare(s.counts) ?? 0)}%` }"
          /></span>
        </button>
      </div>
    </div>
  </div>
  <p v-else class="empty">No volume that can be read. Content can still be found by carving.</p>
</template>

<style scoped>
.scale {
  display: flex;
  justify-content: space-between;
  margin-left: 56px;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 1px;
}
.row {
  display: grid;
  grid-template-columns: 56px 1fr;
  padding-top: 6px;
}
.boxes {
  position: relative;
  height: 92px;
}
.volume {
  position: absolute;
  top: 0;
  bottom: 0;
  margin: 0;
  display: grid;
  gap: 1px;
  align-content: start;
  text-align: left;
  color: inherit;
  border: 1.5px solid var(--ink);
  border-top-width: 4px;
  background: var(--sheet);
  padding: 5px 8px 12px;
  overflow: hidden;
}
.volume span,
.volume b {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.volume.lost,
.volume.earlier {
  border-style: dashed;
  border-top-width: 1.5px;
  background: var(--well);
  padding-top: 7px;
}
.volume.open {
  box-shadow: 0 0 0 3px var(--verd);
}
.volume .whole {
  position: absolute;
  left: 8px;
  right: 8px;
  bottom: 5px;
  height: 5px;
  border: 1px solid var(--ink);
}
.whole i {
  display: block;
  height: 100%;
  background: var(--ink);
}
</style>
