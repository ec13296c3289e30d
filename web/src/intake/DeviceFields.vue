<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import type { CaseForm } from '@/api/types'
import ChoiceRow from './ChoiceRow.vue'

defineProps<{ types: string[]; /** The field that was refused, when it is one. */ wrong?: string }>()
const COMMON = ['hdd', 'ssd', 'usb-stick', 'memory-card', 'phone', 'nas']
const device = defineModel<CaseForm['device']>({ required: true })
</script>

<template>
  <ChoiceRow label="Device" ask="What kind of device is it?" :values="types" :common="COMMON" :is-on="(v) => device.type === v" @toggle="(v) => (device.type = v)" />
  <div class="label-fields">
    <div><label for="make">Make</label><BFormInput id="make" v-model="device.make" /></div>
    <div><label for="model">Model</label><BFormInput id="model" v-model="device.model" /></div>
    <div><label for="capacity">Capacity</label><BFormInput id="capacity" v-model="device.capacity" placeholder="2 TB" :state="wrong === 'device.capacity' ? false : null" :aria-invalid="wrong === 'device.capacity'" /></div>
    <div><label for="serial">Serial</label><BFormInput id="serial" v-model="device.serial" class="m" placeholder="on the label" /></div>
  </div>
</template>

<style scoped>
.label-fields { display: grid; grid-template-columns: 1fr 1fr 84px 1.3fr; gap: 6px; padding: 4px 0 8px 100px; border-bottom: 1px solid var(--line); }
.label-fields label { font-size: 12px; line-height: 16px; color: var(--ink-2); }
@media (max-width: 600px) { .label-fields { grid-template-columns: 1fr 1fr; padding-left: 0; } }
</style>
