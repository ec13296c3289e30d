<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { Docket } from '@/api/types'
import { bytes, shortPath, size } from '@/ui/format/format'
import { whichOf } from '@/features/devices'
import RefusedNote from '@/ui/RefusedNote.vue'

const props = defineProps<{
  /** The case. */
  docket: Docket
  /** The device that a medium is attached as. */
  device: number
}>()
const emit = defineEmits<{ attached: [] }>()

const bench = useLive(
  '/api/bench',
  () => ({}),
  (what) => what === 'bench',
)
const standing = useLive(
  '/api/cases/{number}/bench/media',
  () => ({ path: { number: props.docket.number }, query: { device: props.device } }),
  (what) => what === 'bench' || what === 'case',
)
const picked = ref<string>()
const decision = ref('')
const writeBlock = ref('')
const attaching = useAction()
/** The one that fits the case is chosen until somebody chooses another. */
const medium = computed(
  () => picked.value ?? standing.data.value?.find((s) => s.meant && !s.medium.blocked)?.medium.key,
)
const chosen = computed(() => standing.data.value?.find((s) => s.medium.key === medium.value))
const check = computed(() => chosen.value?.check)
const differs = computed(() => check.value?.lines.some((l) => l.verdict === 'DIFFERS') === true)
const which = computed(() => {
  const device = props.docket.devices.find((d) => d.id === props.device)
  return device && props.docket.devices.length > 1 ? whichOf(device) : 'the device'
})
/** For what a medium stands already: another case, or another device of this one. */
function standsFor(key: string): string | undefined {
  const station = bench.data.value?.stations.find((s) => s.medium.key === key)
  const device = props.docket.devices.find((d) => d.id === station?.device)
  return device ? whichOf(device) : station?.caseNumber
}
const KIND: Record<string, string> = {
  disk: 'disk of this machine',
  box: 'bench box',
  simulated: 'simulated device',
  inbox: 'raw image in the inbox',
}
const VERDICT = { EQUAL: 'equal', FITS: 'fits the label', DIFFERS: 'differs', SILENT: 'not compared' } as const
const shown = (what: string, value: string) =>
  what === 'size' && value ? `${size(Number(value))} (${bytes(Number(value))})` : value || 'not given'
async function attach(): Promise<void> {
  const chosen = medium.value
  if (!chosen) return
  if (
    await attaching.run(() =>
      api.post('/api/cases/{number}/bench/attachment', {
        path: { number: props.docket.number },
        body: {
          device: props.device,
          medium: chosen,
          decision: decision.value || undefined,
          writeBlock: writeBlock.value || undefined,
        },
      }),
    )
  )
    emit('attached')
}
</script>

<template>
  <section class="stack" aria-labelledby="h-attach">
    <div class="hd">
      <h2 id="h-attach">Attach {{ which }}</h2>
      <span class="text-body-secondary">read-only; its identity is compared before the first read</span
      ><span class="flex-fill" /><button type="button" class="btn btn-quiet btn-sm" @click="standing.refresh">
        Look again
      </button>
    </div>
    <RefusedNote :refused="bench.refused.value ?? standing.refused.value" />
    <div class="media" role="radiogroup" aria-label="Medium">
      <button
        v-for="{ medium: m, meant, words: compared } in standing.data.value"
        :key="m.key"
        type="button"
        role="radio"
        class="medium"
        :class="{ on: m.key === medium }"
        :aria-checked="m.key === medium"
        :disabled="m.blocked !== ''"
        @click="picked = m.key"
      >
        <b>{{ `${m.identity.make} ${m.identity.model}`.trim() || m.name }}</b>
        <span class="m xs">{{ m.identity.serial || 'no serial' }} · {{ size(m.identity.size) }}</span>
        <span class="xs text-body-secondary"
          >{{ KIND[m.kind] }}: {{ m.kind === 'inbox' || m.kind === 'simulated' ? m.name : m.place }}</span
        >
        <span v-if="m.blocked" class="xs c-warn">not offered: {{ m.blocked }}</span>
        <span v-else-if="standsFor(m.key)" class="xs text-body-secondary">stands for {{ standsFor(m.key) }}</span>
        <span v-if="meant" class="xs"
          ><b class="c-ok">fits {{ which === 'the device' ? 'this case' : which }}:</b> {{ compared }}</span
        >
      </button>
    </div>
    <p v-if="bench.data.value && !bench.data.value.stations.length" class="empty">
      No device is attached and the inbox is empty. Put a raw image into
      <span class="m" :title="bench.data.value.inbox">{{ shortPath(bench.data.value.inbox) }}</span> and look again.
    </p>
    <p v-else-if="bench.data.value" class="xs text-body-secondary">
      A raw image file becomes a medium when it lies in
      <span class="m" :title="bench.data.value.inbox">{{ shortPath(bench.data.value.inbox) }}</span>.
    </p>
    <template v-if="check">
      <table class="rows">
        <thead>
          <tr>
            <th>identity</th>
            <th>the case says</th>
            <th>the medium says</th>
            <th>so</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in check.lines" :key="l.what">
            <td>{{ l.what }}</td>
            <td class="m">{{ shown(l.what, l.onCase) }}</td>
            <td class="m">{{ shown(l.what, l.onMedium) }}</td>
            <td
              :class="{
                'c-stop fw-semibold': l.verdict === 'DIFFERS',
                'c-ok': l.verdict === 'EQUAL',
                mu: l.verdict === 'SILENT',
              }"
              :title="l.words"
            >
              {{ l.verdict === 'EQUAL' || l.verdict === 'DIFFERS' ? VERDICT[l.verdict] : l.words }}
            </td>
          </tr>
        </tbody>
      </table>
      <div v-if="differs" class="stopbox">
        <b>This may be the wrong device.</b> Nothing is read until you write down why it is attached all the same.
        <BFormInput
          v-model="decision"
          class="why"
          aria-label="Why it is attached all the same"
          placeholder="for example: the label on the enclosure is not the drive's"
        />
      </div>
      <div v-if="chosen?.medium.writable" class="stopbox">
        <b>The kernel would let us write to it.</b> Put it behind a write blocker and look again, or write down why it
        is read as it is.
        <BFormInput
          v-model="writeBlock"
          class="why"
          aria-label="Why it is read although it could be written to"
          placeholder="for example: the blocker in slot 2 is broken, the switch on the card is set"
        />
      </div>
      <RefusedNote :refused="attaching.refused.value" />
      <p>
        <BButton
          variant="primary"
          :disabled="
            attaching.busy.value || (differs && !decision.trim()) || (chosen?.medium.writable && !writeBlock.trim())
          "
          @click="attach"
          >{{ differs ? 'Attach all the same' : 'Attach' }}</BButton
        >
      </p>
    </template>
  </section>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 10px;
  align-content: start;
}
.media {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 8px;
}
.medium {
  display: grid;
  width: 100%;
  text-align: left;
  padding: 8px 12px;
  border: 1px solid var(--edge);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
}
.medium.on {
  border-color: var(--verd);
  background: var(--verd-wash);
  box-shadow: inset 4px 0 var(--verd);
}
.medium:disabled {
  color: var(--ink-2);
  background: var(--well);
}
.why {
  margin-top: 6px;
}
</style>
