<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { useLive } from '@/api/live'
import type { CatalogueLine, WantedState } from '@/api/types'
import { useWhich } from '@/features/devices'
import { asFound } from '@/ui/format/names'
import { bytes, count, dateAndTime, percent, size } from '@/ui/format/format'
import FillGauge from '@/ui/instruments/FillGauge.vue'
import EvidenceChain from './EvidenceChain.vue'
import ProofLook from './ProofLook.vue'
import RemarkBox from './RemarkBox.vue'
import WordsFound from './WordsFound.vue'
import VersionStrip from './VersionStrip.vue'
import { aboutWords, hashWords, provenWords, scoreWords, versionWords } from './about'
import { fitWords, notHere } from './lines'

const props = defineProps<{
  /** The case. */
  number: string
  /** The one that is opened. */
  line: CatalogueLine
  /** The lines that it is held against. */
  wanted: WantedState[]
  /** Words that were asked for, as they may stand in its text. */
  asked: readonly string[]
  /** The image that it lies on is not where it was written. */
  gone?: boolean
}>()

const emit = defineEmits<{ /** Lines to choose or to give up. */ select: [ids: number[], selected: boolean] }>()

const which = useWhich()
const box = useTemplateRef<HTMLElement>('box')
const explained = ref(false)
/** What stood at the same place; one alone is no version of another. */
const live = useLive(
  '/api/cases/{number}/catalogue/{id}/versions',
  () => ({ path: { number: props.number, id: props.line.id } }),
  (what, c) => c === props.number && (what === 'catalogue' || what === 'selection'),
)
const versions = computed(() => (props.line.stands ? (live.data.value ?? []) : []))
/** What is heard, moves or stands in tables takes the whole width. */
const wide = ref(false)
onMounted(() => {
  box.value?.scrollIntoView({ block: 'nearest' })
  // Where it is higher than its place, its own line and its head are what is read first.
  box.value?.closest('tr')?.previousElementSibling?.scrollIntoView({ block: 'nearest' })
})
</script>

<template>
  <div ref="box" class="proof">
    <ProofLook :class="{ wide }" :number="number" :line="line" @wide="(w) => (wide = w)" />
    <div class="why">
      <p class="d-flex align-items-center gap-2">
        <FillGauge
          :prognosis="line.prognosis"
          :share="line.size ? line.readBytes / line.size : 1"
          :proven="line.proven ?? 0"
          :height="34"
        />
        <span
          ><b>{{ line.prognosis }}</b
          >: {{ percent(line.readBytes, line.size) }} of its bytes
          {{ gone ? 'were in the image, which is not there any more' : 'are in the image'
          }}<template v-if="line.elsewhere">
            here. {{ notHere(line.elsewhere) }} What is said of it is their session’s</template
          >; {{ provenWords(line.proven) }}<br /><span class="xs text-body-secondary">{{
            scoreWords(line)
          }}</span></span
        >
      </p>
      <ul class="s">
        <li v-for="r in line.reasons" :key="r">{{ r }}</li>
      </ul>
      <ul v-if="line.fits.length" class="s fit" aria-label="Against the wanted list">
        <li v-for="f in fitWords(line, wanted)" :key="f">{{ f }}</li>
      </ul>
      <button type="button" class="linkish s" :aria-expanded="explained" @click="explained = !explained">
        {{ explained ? 'Hide the evidence' : 'Show the evidence' }}
      </button>
    </div>
    <dl class="kv where">
      <dt>Size</dt>
      <dd>{{ bytes(line.size) }}</dd>
      <dt>Found</dt>
      <dd>
        {{ line.origins.join(', ') }}; sessions {{ line.sessions.join(', ')
        }}<template v-if="which(line.device)"
          >; on {{ line.devices.map(which).join(', ') }}, its bytes from {{ which(line.device) }}</template
        >
      </dd>
      <template v-if="line.remark?.called"
        ><dt>Found as</dt>
        <dd class="m xs">{{ asFound(line.stands?.name ?? line.name) }}</dd></template
      >
      <template v-if="line.suggestedName"
        ><dt>Suggested name</dt>
        <dd class="m xs">{{ line.suggestedName }}</dd></template
      >
      <template v-if="aboutWords(line.about)"
        ><dt>It says</dt>
        <dd>{{ aboutWords(line.about) }}</dd></template
      >
      <template v-if="versionWords(line).length"
        ><dt>Also seen as</dt>
        <dd v-for="v in versionWords(line)" :key="v" class="xs">{{ v }}</dd></template
      >
      <template v-if="line.places.length > 1"
        ><dt>Also at</dt>
        <dd v-for="p in line.places.filter((p) => p !== line.path)" :key="p" class="m xs">{{ p }}</dd></template
      >
      <dt>Extents</dt>
      <dd class="m xs">
        <span v-for="(e, i) in line.extents.slice(0, 6)" :key="i" class="ext"
          >{{ e.offset < 0 ? 'hole' : count(e.offset) }} + {{ size(e.length) }}</span
        ><span v-if="line.extents.length > 6">and {{ line.extents.length - 6 }} more</span>
      </dd>
      <template v-if="line.record.attributes.length"
        ><dt>Attributes</dt>
        <dd>{{ line.record.attributes.join(', ') }}</dd></template
      >
      <template v-if="line.record.deleted"
        ><dt>Deleted</dt>
        <dd>{{ dateAndTime(line.record.deleted) }}</dd></template
      >
      <template v-if="line.record.trashedFrom"
        ><dt>Was at</dt>
        <dd class="m xs">{{ line.record.trashedFrom }}</dd></template
      >
      <dt>SHA-256</dt>
      <dd class="hash" :class="{ 'm xs': line.sha256 }">{{ hashWords(line) }}</dd>
    </dl>
    <WordsFound v-for="words in asked" :key="words" class="remarks" :number="number" :line="line.id" :asked="words" />
    <RemarkBox class="remarks" :number="number" :line="line" />
    <VersionStrip
      v-if="versions.length > 1"
      :number="number"
      :versions="versions"
      :opened="line.id"
      @select="(ids, selected) => emit('select', ids, selected)"
    />
    <EvidenceChain v-if="explained" class="evidence" :number="number" :line="line.id" />
  </div>
</template>

<style scoped>
.proof {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr) minmax(0, 1fr);
  gap: 18px;
  padding: 8px 12px 12px 44px;
  background: var(--verd-wash);
}
.wide {
  grid-column: 1 / -1;
  min-height: 0;
}
.why ul {
  display: grid;
  gap: 3px;
  margin-top: 6px;
}
.why .fit {
  color: var(--heather-d);
}
.why li {
  padding-left: 12px;
  text-indent: -12px;
}
.why li::before {
  content: '– ';
}
.ext {
  display: block;
}
.evidence,
.remarks {
  grid-column: 1 / -1;
}
.hash {
  overflow-wrap: anywhere;
}
.where {
  align-content: start;
}
.kv dd {
  grid-column: 2;
}
@media (width <= 900px) {
  .proof {
    grid-template-columns: minmax(0, 1fr);
    padding-left: 12px;
  }
}
</style>
