<script setup lang="ts">
import { Plus, X } from 'lucide-vue-next'
import { BFormInput } from 'bootstrap-vue-next'
import { computed, ref, useTemplateRef, watch } from 'vue'
import type { DeviceForm } from '@/api/types'
import { words } from '@/ui/format/format'
import CapacityField from './CapacityField.vue'
import ChoiceRow from '@/ui/ChoiceRow.vue'
import { emptyDevice } from '@/features/cases'

const props = defineProps<{
  /** All that there are, by their words in the protocol. */
  types: string[]
  /** The field that was refused, when it is one. */
  wrong?: string
  /** The row that is to be asked next. */
  asked: boolean
}>()
const COMMON = ['hdd', 'ssd', 'usb-stick', 'memory-card', 'phone', 'nas']
const devices = defineModel<DeviceForm[]>({ required: true })

const at = ref(0)
const more = ref(false)
const row = useTemplateRef<InstanceType<typeof ChoiceRow>>('row')
const device = computed(() => devices.value[at.value] ?? devices.value[0]!)
watch(
  () => devices.value.length,
  (n) => (at.value = Math.min(at.value, n - 1)),
)

function set(part: Partial<DeviceForm>): void {
  devices.value = devices.value.map((d, i) => (i === at.value ? { ...d, ...part } : d))
}
/** A member of a set is like the one before it, in the next slot. */
function add(): void {
  const last = devices.value.at(-1)
  const fresh = last?.setName
    ? {
        ...emptyDevice(),
        type: last.type === 'nas' ? 'hdd' : last.type,
        make: last.make,
        model: last.model,
        capacity: last.type === 'nas' ? '' : last.capacity,
        setName: last.setName,
        slot: (last.slot ?? 0) + 1,
      }
    : emptyDevice()
  devices.value = [...devices.value, fresh]
  at.value = devices.value.length - 1
}
function drop(): void {
  devices.value = devices.value.filter((_, i) => i !== at.value)
}
const inSet = (d: DeviceForm) => `${d.setName}${d.slot ? ` slot ${d.slot}` : ''}`
const byItself = (d: DeviceForm) => d.model || (d.type ? words(d.type) : 'device')
const label = (d: DeviceForm, i: number) => `${i + 1} ${d.setName ? inSet(d) : byItself(d)}`
defineExpose({ focus: () => row.value?.focus() })
</script>

<template>
  <div class="device">
    <div v-if="devices.length > 1" class="tabs" role="group" aria-label="Devices of the case">
      <button
        v-for="(d, i) in devices"
        :key="i"
        type="button"
        class="opt"
        :class="{ on: i === at }"
        :aria-pressed="i === at"
        @click="at = i"
      >
        {{ label(d, i) }}
      </button>
    </div>
    <ChoiceRow
      ref="row"
      label="Device"
      ask="What kind of device is it?"
      :number="1"
      :values="props.types"
      :common="COMMON"
      :is-on="(v) => device.type === v"
      :asked="asked"
      @toggle="(v) => set({ type: device.type === v ? '' : v })"
    />
    <div class="label-fields">
      <div>
        <label for="make">Make</label
        ><BFormInput id="make" :model-value="device.make" @update:model-value="(v) => set({ make: String(v) })" />
      </div>
      <div>
        <label for="model">Model</label
        ><BFormInput id="model" :model-value="device.model" @update:model-value="(v) => set({ model: String(v) })" />
      </div>
      <CapacityField
        :model-value="device.capacity"
        :wrong="wrong === 'device.capacity'"
        @update:model-value="(v) => set({ capacity: v })"
      />
      <div>
        <label for="serial">Serial</label
        ><BFormInput
          id="serial"
          :model-value="device.serial"
          class="m"
          placeholder="on the label"
          @update:model-value="(v) => set({ serial: String(v) })"
        />
      </div>
      <template v-if="more">
        <div>
          <label for="interface">Interface</label
          ><BFormInput
            id="interface"
            :model-value="device.attachedBy"
            placeholder="USB, SATA"
            @update:model-value="(v) => set({ attachedBy: String(v) })"
          />
        </div>
        <div>
          <label for="accessories">Came with</label
          ><BFormInput
            id="accessories"
            :model-value="device.accessories"
            placeholder="cable, box"
            @update:model-value="(v) => set({ accessories: String(v) })"
          />
        </div>
        <div class="wide">
          <label for="condition">Condition</label
          ><BFormInput
            id="condition"
            :model-value="device.condition"
            placeholder="marks, dents, seals"
            @update:model-value="(v) => set({ condition: String(v) })"
          />
        </div>
        <div>
          <label for="set">Member of set</label
          ><BFormInput
            id="set"
            :model-value="device.setName"
            placeholder="a name for it"
            @update:model-value="(v) => set({ setName: String(v) })"
          />
        </div>
        <div>
          <label for="slot">Slot</label
          ><BFormInput
            id="slot"
            type="number"
            min="1"
            max="255"
            :model-value="device.slot ?? ''"
            @update:model-value="(v) => set({ slot: Number(v) || undefined })"
          />
        </div>
        <div>
          <label for="entitlement">Warranty, rescue plan</label
          ><BFormInput
            id="entitlement"
            :model-value="device.entitlement"
            @update:model-value="(v) => set({ entitlement: String(v) })"
          />
        </div>
        <div>
          <label for="until">until</label
          ><BFormInput
            id="until"
            type="date"
            :model-value="device.entitledUntil ?? ''"
            :aria-invalid="wrong === 'device.entitledUntil'"
            @update:model-value="(v) => set({ entitledUntil: String(v) || undefined })"
          />
        </div>
      </template>
      <p class="wide d-flex align-items-center gap-3 xs acts">
        <button type="button" class="linkish" :aria-expanded="more" @click="more = !more">
          {{ more ? 'Less about it' : 'Interface, condition, set, warranty …' }}
        </button>
        <span class="flex-fill" />
        <button v-if="devices.length > 1" type="button" class="linkish" @click="drop">
          <X class="ic s14" aria-hidden="true" /> Not this one
        </button>
        <button type="button" class="linkish" @click="add">
          <Plus class="ic s14" aria-hidden="true" /> {{ device.setName ? 'Next member' : 'Another device' }}
        </button>
      </p>
    </div>
  </div>
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  padding: 6px 0 2px;
}
.device :deep(.row-choices) {
  border-bottom: 0;
}
.label-fields {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr 1.2fr;
  gap: 5px 6px;
  padding: 2px 0 6px 24px;
  border-bottom: 1px solid var(--line);
}
.label-fields label {
  font-size: 12px;
  line-height: 16px;
  color: var(--ink-2);
  white-space: nowrap;
}
.wide {
  grid-column: span 2;
}
.acts {
  grid-column: 1 / -1;
}
@media (width <= 600px) {
  .label-fields {
    grid-template-columns: 1fr 1fr;
    padding-left: 0;
  }
}
</style>
