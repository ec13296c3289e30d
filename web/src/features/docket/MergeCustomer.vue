<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { offerUndo } from '@/api/undo'
import type { Docket, KnownCustomer } from '@/api/types'
import RefusedNote from '@/ui/RefusedNote.vue'

const props = defineProps<{ /** The case. */ docket: Docket }>()
const emit = defineEmits<{ /** The case belongs to another customer record now. */ changed: [] }>()
const merging = useAction()
const alike = shallowRef<KnownCustomer[]>([])
async function look(): Promise<void> {
  const { id, name, ways } = props.docket.customer
  const known = await api.post('/api/customers/alike', { body: { name, ways } })
  alike.value = known.filter((k) => k.customer.id !== id)
}
watch(
  () => props.docket.version,
  () => void merging.run(look),
  { immediate: true },
)

async function merge(other: KnownCustomer): Promise<void> {
  const done = await merging.run(async () => {
    const merged = await api.post('/api/customers/merges', {
      body: {
        keep: other.customer.id,
        merge: props.docket.customer.id,
      },
    })
    const went = merged.moved.length === 1 ? 'One case went' : `${merged.moved.length} cases went`
    offerUndo(`${went} over to ${merged.kept.name}.`, () =>
      api.delete('/api/customers/merges/{id}', { path: { id: merged.id } }),
    )
  })
  if (!done) return
  emit('changed')
  await merging.run(look)
}
</script>

<template>
  <div v-if="alike.length" class="alike">
    <p v-for="k in alike" :key="k.customer.id" class="d-flex align-items-center gap-2 s">
      <span
        >Is this <b>{{ k.customer.name }}</b>? It has {{ k.why
        }}<template v-if="k.cases.length"
          >, and <RouterLink class="m link" :to="`/cases/${k.cases[0]}`">{{ k.cases[0] }}</RouterLink></template
        >.</span
      ><span class="flex-fill" />
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
