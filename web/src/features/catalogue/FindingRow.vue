<script setup lang="ts">
import type { CatalogueLine } from '@/api/types'
import { bytes, dateAndTime, percent, size, zoneName } from '@/ui/format/format'
import { useWhich } from '@/features/devices'
import { asFound } from '@/ui/format/names'
import FillGauge from '@/ui/instruments/FillGauge.vue'
import { calledOf, morePlaces, notHere, placeOf } from './lines'
import { remarkSigns } from './remarks'

defineProps<{
  /** What it shows. */
  line: CatalogueLine
  /** Wanted lines that it fits or may fit. */
  marks: string
  /** It is the one at hand. */
  at: boolean
  /** Its proof is open. */
  open: boolean
}>()
const emit = defineEmits<{
  /** Its proof is to be opened, or folded. */
  open: []
  /** It is chosen, or given up. */
  select: []
}>()
const which = useWhich()
</script>

<template>
  <tr class="finding" :class="{ on: at, open }">
    <td>
      <input
        type="checkbox"
        class="form-check-input"
        :checked="line.selected"
        :aria-label="`Select ${calledOf(line)}`"
        @change="emit('select')"
        @click.stop
      />
    </td>
    <td class="text-nowrap">
      <span class="d-flex align-items-center gap-2"
        ><FillGauge
          :prognosis="line.prognosis"
          :share="line.size ? line.readBytes / line.size : 1"
          :proven="line.proven ?? 0"
        />
        {{ line.prognosis
        }}<span v-if="line.prognosis === 'gapped'" class="m xs">{{ percent(line.readBytes, line.size) }}</span></span
      >
    </td>
    <td class="name">
      <div class="called">
        <button type="button" class="nameb" :aria-expanded="open" @click.stop="emit('open')">
          {{ calledOf(line) }}</button><span
          v-if="line.places.length > 1"
          class="sign"
          :title="line.places.map(asFound).join('\n')"
          >{{ morePlaces(line) }}</span
        ><span v-if="line.elsewhere" class="sign c-warn" :title="notHere(line.elsewhere)">at {{ line.elsewhere }}</span
        ><span v-for="d in line.devices.filter(which)" :key="d" class="sign">{{ which(d) }}</span
        ><span v-for="s in remarkSigns(line.remark)" :key="s" class="sign">{{ s }}</span>
      </div>
    </td>
    <td class="place text-body-secondary" :title="line.path ?? ''">
      {{ placeOf(line) }}
    </td>
    <td class="n" :title="bytes(line.size)">{{ size(line.size) }}</td>
    <td class="m when" :title="zoneName()">{{ line.modified ? dateAndTime(line.modified) : 'not kept' }}</td>
    <td>{{ line.origins.join(', ') }}</td>
    <td class="m fits">{{ marks }}</td>
  </tr>
</template>

<style scoped>
td {
  padding: 4px 8px;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
tr.on td {
  background: var(--verd-wash);
}
tr.on td:first-child {
  box-shadow: inset 4px 0 var(--verd);
}
td.n {
  text-align: right;
  font-family: var(--mono);
  font-size: 12.5px;
}
.when {
  font-size: 12px;
}
.fits {
  color: var(--heather-d);
  font-weight: 600;
}
.called {
  display: flex;
  align-items: center;
  gap: 5px;
}
.nameb {
  background: none;
  border: 0;
  padding: 0;
  color: inherit;
  font-weight: inherit;
  max-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
}
tr.open .nameb {
  font-weight: 650;
}
.form-check-input {
  margin-left: 8px;
}
</style>
