<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { offerUndo } from '@/api/undo'
import type { Closing, ClosingDevice } from '@/api/types'
import { daysFromNow } from '@/ui/format/days'
import RefusedNote from '@/ui/RefusedNote.vue'
import { type Disposition, DISPOSITIONS, disposedWords } from './closing'

const props = defineProps<{
  /** The case's number. */
  number: string
  /** How it ends, so far. */
  state: Closing
}>()
const emit = defineEmits<{ /** What became of a device was noted, or taken back. */ changed: [] }>()

const chosen = ref<number[]>([])
const disposition = ref<Disposition>('returned')
const words = ref('')
const on = ref(daysFromNow(0))
const noting = useAction()
const open = computed(() => !props.state.closed)
const undecided = computed(() => props.state.devices.filter((d) => !d.disposed).map((d) => d.id))
const howMany = (n: number) => (n === 1 ? 'one device' : `${n} devices`)
const need = computed(() => DISPOSITIONS[disposition.value])
const ready = computed(
  () => chosen.value.length > 0 && (words.value.trim() !== '' || disposition.value === 'never-came'),
)
// All that are here, until a person picks: most leave together.
watch(undecided, (now) => (chosen.value = now), { immediate: true })

async function note(): Promise<void> {
  if (!ready.value) return
  const devices = chosen.value
  const body = { devices, disposition: disposition.value, words: words.value, day: on.value }
  if (
    !(await noting.run(() => api.post('/api/cases/{number}/closing/devices', { path: { number: props.number }, body })))
  )
    return
  offerUndo(`What became of ${howMany(devices.length)} was noted.`, async () => {
    for (const device of devices) await takeBack(device)
  })
  words.value = ''
  emit('changed')
}
function takeBack(device: number): Promise<unknown> {
  return api.delete('/api/cases/{number}/closing/devices/{device}', { path: { number: props.number, device } })
}
async function again(device: ClosingDevice): Promise<void> {
  if (await noting.run(() => takeBack(device.id))) emit('changed')
}
</script>

<template>
  <section aria-labelledby="h-devices">
    <div class="hd">
      <h2 id="h-devices">What became of the devices</h2>
      <span class="text-body-secondary">a case ends when nothing of theirs lies here unsaid</span>
    </div>
    <table class="rows">
      <thead>
        <tr>
          <th v-if="open"><span class="visually-hidden">Choose</span></th>
          <th>Device</th>
          <th>Serial</th>
          <th>What became of it</th>
          <th v-if="open"><span class="visually-hidden">Change</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="d in state.devices" :key="d.id">
          <td v-if="open">
            <input
              v-if="!d.disposed"
              :id="`ends-${d.id}`"
              v-model="chosen"
              type="checkbox"
              class="form-check-input"
              :value="d.id"
              :aria-label="`Device ${d.position}, ${d.name}`"
            />
          </td>
          <td>
            <label :for="`ends-${d.id}`"
              ><b class="m">{{ d.position }}</b> {{ d.name }}</label
            >
          </td>
          <td class="m">{{ d.serial || 'not noted' }}</td>
          <td class="ends" :class="{ 'c-warn': !d.disposed && open }">
            {{ disposedWords(d) }}
            <span v-if="d.disposed" class="xs text-body-secondary">by {{ d.disposed.who }}</span>
          </td>
          <td v-if="open" class="text-end">
            <button v-if="d.disposed" type="button" class="linkish xs" :disabled="noting.busy.value" @click="again(d)">
              it is here after all
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <form v-if="open && undecided.length" class="sheet note" @submit.prevent="note">
      <div role="radiogroup" aria-label="What became of it" class="d-flex flex-wrap gap-1">
        <button
          v-for="(d, key) in DISPOSITIONS"
          :key="key"
          type="button"
          role="radio"
          class="opt"
          :class="{ on: disposition === key }"
          :aria-checked="disposition === key"
          @click="disposition = key"
        >
          {{ d.words }}
        </button>
      </div>
      <div class="said">
        <label for="ends-words">{{ need.asks }}</label>
        <label for="ends-day">On</label>
        <BFormInput id="ends-words" v-model="words" maxlength="1000" />
        <BFormInput id="ends-day" v-model="on" type="date" :max="daysFromNow(0)" />
      </div>
      <RefusedNote :refused="noting.refused.value" />
      <p class="d-flex">
        <span class="flex-fill" /><BButton type="submit" variant="primary" :disabled="!ready || noting.busy.value"
          >Note it for {{ howMany(chosen.length) }}</BButton
        >
      </p>
    </form>
    <RefusedNote v-else :refused="noting.refused.value" />
  </section>
</template>

<style scoped>
.note {
  display: grid;
  gap: 8px;
  margin-top: 10px;
  padding: 10px 12px;
}
.said {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  gap: 3px 10px;
}
.said label {
  font-size: 12px;
  color: var(--ink-2);
}
.ends {
  overflow-wrap: anywhere;
}
</style>
