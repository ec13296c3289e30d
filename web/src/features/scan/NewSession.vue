<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api, upload } from '@/api/client'
import type { Carved, ScanMethod, ScanReport, ScanView } from '@/api/types'
import { size } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { alreadyWords, didAlready } from './repeat'

const props = defineProps<{
  /** The case. */
  number: string
  /** The device whose image is scanned. */
  device: number
  /** Oldest first. */
  sessions: ScanView[]
  /** The newest there is. */
  report?: ScanReport
  /** The image that would be scanned, and how much of it was carved before. */
  image?: Carved
}>()
const emit = defineEmits<{ started: [] }>()

const METHODS: { code: string; method: ScanMethod; search: boolean; label: string; words: string }[] = [
  {
    code: 'records',
    method: 'structure',
    search: false,
    label: 'records',
    words: 'what the records say of what stands; also while the image is still written',
  },
  {
    code: 'free',
    method: 'structure',
    search: true,
    label: 'records and free space',
    words: 'and a search of what is free: lost volumes, before a format',
  },
  {
    code: 'both',
    method: 'both',
    search: true,
    label: 'records and content',
    words: 'all records, then content; finds most',
  },
  {
    code: 'carve',
    method: 'carve',
    search: false,
    label: 'content alone',
    words: 'by what it looks like, without records; adds only what is new',
  },
]
const chosen = ref<string>()
const volume = ref<number>()
const again = ref(false)
const hashes = ref(false)
const acting = useAction()
/** A first session reads the records; the next one looks into the content, too. */
const code = computed({
  get: () => chosen.value ?? (props.sessions.length ? 'both' : 'records'),
  set: (c) => (chosen.value = c),
})
const volumes = computed(() => (props.report?.volumes ?? []).filter((v) => v.state !== 'earlier' && !v.unread))
const carved = computed(() => props.image)
const wish = computed(() => METHODS.find((m) => m.code === code.value)!)
const already = computed(() =>
  alreadyWords(didAlready({ ...wish.value, volume: volume.value, hashes: hashes.value }, props.sessions, props.image)),
)
const carves = computed(() => code.value === 'both' || code.value === 'carve')

async function start(): Promise<void> {
  const { method, search } = wish.value
  if (
    await acting.run(() =>
      api.post('/api/cases/{number}/scans', {
        path: { number: props.number },
        body: {
          device: props.device,
          method,
          search,
          volume: volume.value,
          again: again.value,
          hashes: hashes.value,
        },
      }),
    )
  )
    emit('started')
}
async function bringIn(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (
    file &&
    (await acting.run(() =>
      upload(
        '/api/cases/{number}/scans/file',
        { path: { number: props.number }, query: { device: props.device, name: file.name } },
        file,
      ),
    ))
  )
    emit('started')
  input.value = ''
}
/** One volume alone, by its records. */
function scanAlone(index: number): void {
  volume.value = index
  chosen.value = 'free'
  void start()
}
defineExpose({ start, scanAlone })
</script>

<template>
  <form class="sheet new" @submit.prevent="start">
    <b>{{ sessions.length ? 'Another session' : 'Scan the image' }}</b>
    <label v-for="m in METHODS" :key="m.code" class="s"
      ><input v-model="code" type="radio" name="method" class="form-check-input" :value="m.code" /> <b>{{ m.label }}</b>
      <span class="text-body-secondary">{{ m.words }}</span></label
    >
    <label v-if="volumes.length > 1" class="s"
      >in
      <select v-model="volume" class="form-select form-select-sm inline">
        <option :value="undefined">the whole medium</option>
        <option v-for="v in volumes" :key="v.index" :value="v.index">{{ v.label || `volume ${v.index}` }}</option>
      </select></label
    >
    <label v-if="carves && carved?.bytes" class="s whole"
      ><input v-model="again" type="checkbox" class="form-check-input" /> also the {{ size(carved.bytes) }} that were
      carved before
      <span v-if="!again" class="text-body-secondary">{{
        carved.bytes < carved.of
          ? `${size(carved.of - carved.bytes)} are left`
          : 'nothing is left to carve but what is read later'
      }}</span></label
    >
    <label class="s whole"
      ><input v-model="hashes" type="checkbox" class="form-check-input" /> hash every file now
      <span class="text-body-secondary"
        >SHA-256 of each; without it only files that look alike are hashed, and all of them when they are
        recovered</span
      ></label
    >
    <p v-if="already" class="s c-warn whole" role="status">{{ already }}</p>
    <span class="acts">
      <BButton
        type="submit"
        :variant="sessions.length ? undefined : 'primary'"
        :class="sessions.length ? 'btn-quiet' : ''"
        :disabled="acting.busy.value"
        >{{ already ? 'Scan all the same' : 'Start scanning' }} <span class="kbd">N</span></BButton
      >
      <label class="linkish s"
        >Bring in a session of another machine<input
          type="file"
          accept=".gz,application/gzip"
          class="visually-hidden"
          data-testid="session-file"
          @change="bringIn"
      /></label>
    </span>
    <RefusedNote :refused="acting.refused.value" />
  </form>
</template>

<style scoped>
.new {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  padding: 9px 12px;
}
.new > b,
.whole {
  flex-basis: 100%;
}
.acts {
  flex-basis: 100%;
  display: flex;
  gap: 18px;
  align-items: center;
}
.inline {
  display: inline-block;
  width: auto;
  padding-right: 30px;
}
.acts label:focus-within {
  outline: 2px solid var(--ink);
  outline-offset: 2px;
}
</style>
