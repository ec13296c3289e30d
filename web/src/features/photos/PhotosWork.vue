<script setup lang="ts">
import { Camera } from 'lucide-vue-next'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api, upload } from '@/api/client'
import { useLive } from '@/api/live'
import { offerUndo } from '@/api/undo'
import type { Docket, Photo } from '@/api/types'
import { bytes, dayAndTime, size } from '@/ui/format/format'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'

const props = defineProps<{ /** The case. */ docket: Docket }>()
const photos = useLive(
  '/api/cases/{number}/photos',
  () => ({ path: { number: props.docket.number } }),
  (what, c) => what === 'photo' && c === props.docket.number,
)
const adding = useAction()
const what = ref('label')
const device = ref<number | ''>('')
const over = ref(false)
const devices = computed(() => [
  { value: '', text: 'all of it' },
  ...props.docket.devices.map((d) => ({
    value: d.id,
    text: `${d.position} ${`${d.make} ${d.model}`.trim() || d.type}`,
  })),
])
const whose = (p: Photo) => props.docket.devices.find((d) => d.id === p.deviceId)

async function add(files: FileList | null | undefined): Promise<void> {
  for (const file of files ?? []) {
    const parts = {
      path: { number: props.docket.number },
      query: { what: what.value, name: file.name, device: device.value || undefined },
    }
    if (!(await adding.run(() => upload('/api/cases/{number}/photos', parts, file)))) break
  }
  await photos.refresh()
}
async function remove(p: Photo): Promise<void> {
  if (await adding.run(() => api.delete('/api/photos/{id}', { path: { id: p.id } })))
    offerUndo('The photo was taken away.', () => api.post('/api/photos/{id}/back', { path: { id: p.id } }))
}
function drop(event: DragEvent): void {
  over.value = false
  void add(event.dataTransfer?.files)
}
</script>

<template>
  <div class="stack">
    <div class="hd">
      <h2>Photos</h2>
      <span class="text-body-secondary">kept as pixels alone: no place, no time, no camera</span>
    </div>
    <div
      class="dropzone"
      :class="{ over }"
      @dragover.prevent="over = true"
      @dragleave="over = false"
      @drop.prevent="drop"
    >
      <span role="group" aria-label="What it shows" class="d-flex align-items-center gap-1"
        ><button
          v-for="w in ['label', 'device', 'accessory']"
          :key="w"
          type="button"
          class="opt"
          :class="{ on: what === w }"
          :aria-pressed="what === w"
          @click="what = w"
        >
          {{ w }}
        </button></span
      >
      <BFormSelect v-if="docket.devices.length > 1" v-model="device" :options="devices" aria-label="Of which device" />
      <label class="btn btn-primary"
        ><Camera class="ic" aria-hidden="true" /> Add photos<input
          type="file"
          accept="image/jpeg,image/png,image/gif,image/bmp"
          multiple
          class="visually-hidden"
          data-testid="photo"
          @change="(e) => add((e.target as HTMLInputElement).files)"
      /></label>
      <span class="xs text-body-secondary">or drop them here; JPEG, PNG, GIF or BMP up to 20 MiB</span>
      <span v-if="adding.busy.value" class="xs text-body-secondary" role="status">checking the picture …</span>
    </div>
    <RefusedNote :refused="adding.refused.value ?? photos.refused.value" />
    <ComingLines :of="photos" :lines="4" />
    <ul v-if="photos.data.value?.length" class="pics">
      <li v-for="p in photos.data.value" :key="p.id" class="sheet">
        <a :href="`/api/photos/${p.id}`" target="_blank"
          ><img :src="`/api/photos/${p.id}?small=true`" :alt="`Photo of the ${p.what}, ${p.name}`" loading="lazy"
        /></a>
        <p class="xs">
          <b>{{ p.what }}</b> {{ whose(p) ? `of device ${whose(p)!.position}` : ''
          }}<span class="text-body-secondary d">{{ p.who }}, {{ dayAndTime(p.at) }}</span
          ><span class="text-body-secondary d" :title="bytes(p.bytes)"
            >{{ p.width }}×{{ p.height }}, {{ size(p.bytes) }}</span
          >
        </p>
        <button type="button" class="linkish xs" @click="remove(p)">Take away</button>
      </li>
    </ul>
    <p v-else-if="photos.data.value" class="empty">
      No photo yet. The label and the device as it came in settle most questions later.
    </p>
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 10px;
  align-content: start;
}
.dropzone {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  border: 1px dashed var(--line-2);
  padding: 12px;
  border-radius: 3px;
}
.dropzone.over {
  background: var(--verd-wash);
  border-color: var(--verd);
}
.dropzone .form-select {
  width: auto;
}
.dropzone label:focus-within {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}
.pics {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 10px;
}
.pics li {
  padding: 8px;
  display: grid;
  gap: 5px;
  align-content: start;
}
.pics img {
  width: 100%;
  height: 120px;
  object-fit: contain;
  background: var(--well);
  display: block;
}
.d {
  display: block;
}
</style>
