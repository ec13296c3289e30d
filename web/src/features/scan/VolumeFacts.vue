<script setup lang="ts">
import { computed, onMounted, useTemplateRef } from 'vue'
import type { ScanReport, ScanView, Volume } from '@/api/types'
import { bytes, count, dateAndTime, size } from '@/ui/format/format'
import { findingsOf } from './strata'

const props = defineProps<{
  /** The one that is opened. */
  volume: Volume
  /** Of the session that found it. */
  report: ScanReport
  /** The case. */
  number: string
  /** All there are: each may have found something in it. */
  sessions: readonly ScanView[]
  /** No session may be started just now. */
  busy: boolean
}>()
defineEmits<{ /** Scan this volume alone. */ scan: [] }>()

const box = useTemplateRef<HTMLElement>('box')
onMounted(() => box.value?.scrollIntoView({ block: 'nearest' }))
const counts = computed(() => props.report.inVolumes?.find((c) => c.volume === props.volume.index))
const problems = computed(() => counts.value?.problems ?? [])
</script>

<template>
  <section ref="box" class="sheet facts" :aria-label="`Volume ${volume.label || volume.index}`">
    <dl class="kv">
      <dt>Begins</dt>
      <dd class="m" :title="bytes(volume.startByte)">{{ count(volume.startByte) }}</dd>
      <dt>Length</dt>
      <dd :title="bytes(volume.lengthBytes)">
        {{ size(volume.lengthBytes)
        }}<template v-if="volume.clusterBytes">, clusters of {{ size(volume.clusterBytes) }}</template>
      </dd>
      <template v-if="volume.serial"
        ><dt>Serial</dt>
        <dd class="m">{{ volume.serial }}</dd></template
      >
      <dt>Made</dt>
      <dd>{{ volume.made ? dateAndTime(volume.made) : 'not kept' }}</dd>
      <dt>Found by</dt>
      <dd>{{ volume.foundBy }}</dd>
    </dl>
    <dl class="kv">
      <template v-for="(n, origin) in counts?.origins ?? {}" :key="origin"
        ><dt>{{ origin }}</dt>
        <dd class="m">{{ count(n) }}</dd></template
      >
      <template v-for="(n, prognosis) in counts?.prognoses ?? {}" :key="prognosis"
        ><dt>{{ prognosis }}</dt>
        <dd class="m">{{ count(n) }}</dd></template
      >
    </dl>
    <div>
      <ul v-if="volume.remarks.length || problems.length" class="s">
        <li v-for="r in [...volume.remarks, ...problems]" :key="r">{{ r }}</li>
      </ul>
      <p v-else class="s text-body-secondary">Nothing in it is damaged as far as its records say.</p>
      <p class="d-flex flex-wrap gap-2 acts">
        <RouterLink
          v-if="counts?.findings"
          class="btn btn-quiet"
          :to="{ path: `/cases/${number}/selection`, query: findingsOf(volume, sessions) }"
          >Show its {{ count(counts.findings) }} {{ counts.findings === 1 ? 'finding' : 'findings' }}</RouterLink
        >
        <button
          v-if="!volume.unread && volume.state !== 'earlier'"
          type="button"
          class="btn btn-quiet"
          :disabled="busy"
          @click="$emit('scan')"
        >
          Scan this volume alone
        </button>
      </p>
    </div>
  </section>
</template>

<style scoped>
.facts {
  display: grid;
  grid-template-columns: 1.2fr 0.7fr 1fr;
  gap: 16px;
  padding: 10px 12px;
  margin-top: 10px;
  align-items: start;
}
.facts .kv {
  align-content: start;
}
.facts ul {
  display: grid;
  gap: 3px;
  padding-left: 16px;
  margin: 0 0 8px;
}
.acts {
  margin-top: 6px;
}
@media (width <= 900px) {
  .facts {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
