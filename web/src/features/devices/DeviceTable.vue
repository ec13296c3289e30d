<script setup lang="ts">
import { ref } from 'vue'
import type { Docket } from '@/api/types'
import { capacity, capacityInFull, words } from '@/ui/format/format'
import GiveDevice from './GiveDevice.vue'
import { calledOf, whichOf } from './hand'

defineProps<{ /** The case. */ docket: Docket }>()
const emit = defineEmits<{ /** A device went to another case. */ changed: [] }>()

/** The device that is to go to another case. */
const giving = ref<number>()
function given(): void {
  giving.value = undefined
  emit('changed')
}
</script>

<template>
  <table class="rows">
    <thead>
      <tr>
        <th></th>
        <th>device</th>
        <th>serial</th>
        <th class="n">capacity</th>
        <th>came with</th>
        <th>condition</th>
        <th>entitlement</th>
        <th v-if="docket.devices.length > 1"><span class="visually-hidden">what can be done</span></th>
      </tr>
    </thead>
    <tbody>
      <template v-for="d in docket.devices" :key="d.id">
        <tr>
          <td class="m">{{ d.setName ? `${d.setName}${d.slot ? `/${d.slot}` : ''}` : d.position }}</td>
          <td>
            {{ calledOf(d) }}
            <span class="text-body-secondary">{{
              [`${d.make}${d.model}`.trim() ? words(d.type) : '', d.attachedBy].filter(Boolean).join(', ')
            }}</span>
          </td>
          <td class="m">{{ d.serial || '–' }}</td>
          <td class="n" :title="d.capacity ? capacityInFull(d.capacity) : ''">
            {{ d.capacity ? capacity(d.capacity) : '–' }}
          </td>
          <td>{{ d.accessories || '–' }}</td>
          <td>{{ d.condition || '–' }}</td>
          <td>
            {{ d.entitlement || '–'
            }}<span v-if="d.entitledUntil" class="text-body-secondary"> until {{ d.entitledUntil }}</span>
          </td>
          <td v-if="docket.devices.length > 1" class="text-nowrap">
            <button
              type="button"
              class="linkish xs"
              :aria-expanded="giving === d.id"
              :aria-label="`Give ${whichOf(d)} to another case`"
              @click="giving = giving === d.id ? undefined : d.id"
            >
              {{ giving === d.id ? 'Not now' : 'To another case' }}
            </button>
          </td>
        </tr>
        <tr v-if="giving === d.id">
          <td colspan="8"><GiveDevice :number="docket.number" :device="d" @given="given" /></td>
        </tr>
      </template>
    </tbody>
  </table>
</template>
