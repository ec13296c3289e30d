<script setup lang="ts">
import { ref } from 'vue'
import { useLive } from '@/api/live'
import { useCustomers } from '@/features/cases'
import { bytes, count, dayAndTime, size } from '@/ui/format/format'
import PageSteps from '@/ui/PageSteps.vue'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import { deliveryWords } from './words'

const page = ref(0)
const deliveries = useLive(
  '/api/deliveries',
  () => ({ query: { page: page.value } }),
  (what) => what === 'delivery',
)
const customer = useCustomers(() => (deliveries.data.value?.items ?? []).map((d) => d.caseNumber))
</script>

<template>
  <div class="page">
    <div class="pagehead">
      <h1>Handover</h1>
      <p class="text-body-secondary">deliveries and receipts</p>
    </div>
    <RefusedNote :refused="deliveries.refused.value" />
    <ComingLines :of="deliveries" :lines="5" />
    <table v-if="deliveries.data.value?.items.length" class="rows">
      <thead>
        <tr>
          <th>delivery</th>
          <th>case</th>
          <th>customer</th>
          <th class="n">files</th>
          <th class="n">size</th>
          <th>sealed</th>
          <th>where it stands</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="d in deliveries.data.value.items" :key="d.id">
          <td class="m">{{ d.id }}</td>
          <td>
            <RouterLink class="m link" :to="`/cases/${d.caseNumber}/handover`">{{ d.caseNumber }}</RouterLink>
          </td>
          <td>{{ customer(d.caseNumber) }}</td>
          <td class="n">{{ count(d.files) }}</td>
          <td class="n" :title="bytes(d.bytes)">{{ size(d.bytes) }}</td>
          <td class="text-body-secondary text-nowrap">{{ dayAndTime(d.sealedAt) }}</td>
          <td>{{ deliveryWords(d) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="deliveries.data.value" class="empty">
      Nothing has been sealed yet. A delivery is sealed from a finished recovery run.
    </p>
    <PageSteps
      v-if="deliveries.data.value"
      :of="deliveries.data.value"
      label="Pages of deliveries"
      @go="page = $event"
    />
  </div>
</template>
