<script setup lang="ts">
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import { offerUndo } from '@/api/undo'
import type { Docket, KnownCustomer, MergeDone } from '@/api/types'
import RefusedNote from '@/shell/RefusedNote.vue'

const props = defineProps<{ docket: Docket }>()
const emit = defineEmits<{ /** The case belongs to another customer record now. */ changed: [] }>()
const merging = useAction()
const alike = useLive(
  async () =>
    (
      await api.post<KnownCustomer[]>('/api/customers/alike', {
        name: props.docket.customer.name,
        ways: props.docket.customer.ways,
      })
    ).filter((k) => k.customer.id !== props.docket.customer.id),
  (what, c) => what === 'case' && c === props.docket.number,
)

async function merge(other: KnownCustomer): Promise<void> {
  const done = await merging.run(async () => {
    const merged = await api.post<MergeDone>('/api/customers/merges', {
      keep: other.customer.id,
      merge: props.docket.customer.id,
    })
    const went = merged.moved.length === 1 ? 'One case went' : `${merged.moved.length} cases went`
    offerUndo(`${went} over to ${merged.kept.name}.`, () => api.delete(`/api/customers/merges/${merged.id}`))
  })
  if (!done) return
  emit('changed')
  await alike.refresh()
}
</script>

<template>
  <div v-if="alike.data.value?.length" class="alike">
    <p v-for="k in alike.data.value" :key="k.customer.id" class="f g8 s">
      <span
        >Is this <b>{{ k.customer.name }}</b>? It has {{ k.why
        }}<template v-if="k.cases.length"
          >, and <RouterLink class="m link" :to="`/cases/${k.cases[0]}`">{{ k.cases[0] }}</RouterLink></template
        >.</span
      ><span class="sp" />
      <button type="button" class="btn btn-quiet btn-sm" :disabled="merging.busy.value" @click="merge(k)">
        Make them one
      </button>
    </p>
    <RefusedNote :refused="merging.refused.value" />
  </div>
</template>

<style scoped>
.alike {
  border-left: 4px solid var(--heather);
  background: var(--heather-wash);
  padding: 5px 10px;
  display: grid;
  gap: 4px;
}
</style>
