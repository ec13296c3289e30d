<script setup lang="ts">
import type { CustodyPage } from '@/api/types'
import { dayAndTime } from '@/ui/format/format'
import PageSteps from '@/ui/PageSteps.vue'

defineProps<{
  /** One page of entries. */
  page: CustodyPage
  /** What the record is of. */
  label: string
}>()
const emit = defineEmits<{ /** Another page is wanted. */ go: [page: number] }>()
</script>

<template>
  <table class="rows">
    <caption class="visually-hidden">
      {{
        label
      }}
    </caption>
    <thead>
      <tr>
        <th scope="col">When</th>
        <th scope="col">Who</th>
        <th scope="col">What</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="e in page.items" :key="e.number">
        <td class="m when">{{ dayAndTime(e.at) }}</td>
        <td class="when">{{ e.who }}</td>
        <td>
          <span :class="{ 'c-stop': e.what === 'refused' }">{{ e.what }}</span>
          <span class="xs text-body-secondary d">{{ e.detail }}</span>
        </td>
      </tr>
    </tbody>
  </table>
  <PageSteps :of="page" :label="`Pages of ${label}`" @go="emit('go', $event)" />
</template>

<style scoped>
td {
  vertical-align: top;
}
.when {
  white-space: nowrap;
}
.d {
  display: block;
  overflow-wrap: anywhere;
}
</style>
