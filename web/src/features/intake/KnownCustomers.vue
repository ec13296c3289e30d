<script setup lang="ts">
import { UserCheck } from 'lucide-vue-next'
import { watchDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { api, Refused } from '@/api/client'
import type { CustomerForm, KnownCustomer } from '@/api/types'

const props = defineProps<{
  /** As typed so far. */
  customer: CustomerForm
  /** The case that is being edited; it does not count as having been here. */
  editing?: string
}>()
const emit = defineEmits<{
  /** This is the customer who is calling. */
  take: [known: KnownCustomer]
  /** It is somebody else after all. */
  release: []
}>()

const others = computed(() => own.value?.cases.filter((n) => n !== props.editing) ?? [])
const PAUSE_MS = 300
const alike = ref<KnownCustomer[]>([])
const own = ref<KnownCustomer>()
let latest = 0

async function look(): Promise<void> {
  const mine = ++latest
  try {
    if (props.customer.id !== undefined) {
      if (own.value?.customer.id !== props.customer.id)
        own.value = await api.get('/api/customers/{id}', { path: { id: props.customer.id } })
      return
    }
    own.value = undefined
    const ways = props.customer.ways.filter((w) => w.value.trim())
    const found =
      props.customer.name.trim().length > 2 || ways.length
        ? await api.post('/api/customers/alike', { body: { name: props.customer.name, ways } })
        : []
    if (mine === latest) alike.value = found.slice(0, 3)
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    if (mine === latest) alike.value = [] // logging the case comes first; duplicates can be joined later
  }
}
watchDebounced(() => [props.customer.id, props.customer.name, props.customer.ways.map((w) => w.value).join()], look, {
  debounce: PAUSE_MS,
  immediate: true,
})
defineExpose({
  /** Who is offered first, while nobody is taken. */
  first: () => (props.customer.id === undefined ? alike.value[0] : undefined),
})
</script>

<template>
  <div v-if="own && customer.id !== undefined && others.length" class="known s" role="status">
    <UserCheck class="ic s14 c-ok" aria-hidden="true" />
    <span
      ><b>{{ own.customer.name }}</b> has been here:
      <RouterLink v-for="n in others.slice(0, 3)" :key="n" class="m link" :to="`/cases/${n}`" target="_blank">{{
        n
      }}</RouterLink><template v-if="others.length > 3"> and {{ others.length - 3 }} more</template></span
    >
    <button v-if="!editing" type="button" class="linkish xs" @click="emit('release')">Not them</button>
  </div>
  <ul v-else-if="alike.length && customer.id === undefined" class="alike" aria-label="Has been here before?">
    <li v-for="(k, i) in alike" :key="k.customer.id" class="known s">
      <span class="text-truncate"
        ><b>{{ k.customer.name }}</b
        >, {{ k.why
        }}<template v-if="k.cases.length"
          >; <span class="m">{{ k.cases[0] }}</span><template v-if="k.cases.length > 1">
            and {{ k.cases.length - 1 }} more</template
          ></template
        ></span
      >
      <button type="button" class="btn btn-quiet btn-sm" @click="emit('take', k)">
        This is them <span v-if="i === 0" id="known-hint" class="kbd">Enter</span>
      </button>
    </li>
  </ul>
</template>

<style scoped>
.known {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 3px 8px;
  margin-top: 4px;
  border-left: 4px solid var(--heather);
  background: var(--heather-wash);
}
.known > span {
  flex: 1;
}
.known a {
  margin-right: 6px;
}
</style>
