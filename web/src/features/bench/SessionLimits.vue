<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { ImagingView } from '@/api/types'
import RefusedNote from '@/ui/RefusedNote.vue'
import LimitFields from './LimitFields.vue'
import { limitWords } from './profiles'

const props = defineProps<{
  /** Whose limits are shown, and may be changed until it is done. */
  session: ImagingView
}>()
const emit = defineEmits<{
  /** Other limits hold. */
  changed: []
  /** It is to end with what is read. */
  enough: []
}>()
const MIB = 1048576
const saving = useAction()
const done = computed(() => props.session.state === 'done')
const bounding = ref(false)
const limits = ref({ ...props.session.limits })
const rate = ref(props.session.rateLimit / MIB)

function bound(): void {
  limits.value = { ...props.session.limits }
  rate.value = props.session.rateLimit / MIB
  bounding.value = !bounding.value
}
async function saveBounds(): Promise<void> {
  const path = { id: props.session.id }
  const body = { limits: limits.value, mibPerSecond: rate.value || 0 }
  if (!(await saving.run(() => api.post('/api/imaging/{id}/bounds', { path, body })))) return
  bounding.value = false
  emit('changed')
}
</script>

<template>
  <section aria-labelledby="h-limits">
    <div class="hd">
      <h2 id="h-limits" class="text-nowrap">Stops at</h2>
      <span class="flex-fill" />
      <button v-if="!done" type="button" class="btn btn-quiet btn-sm" :aria-expanded="bounding" @click="bound">
        {{ bounding ? 'Close' : 'Change' }}
      </button>
    </div>
    <p class="s">{{ limitWords(session.limits, session.faults) }}</p>
    <RefusedNote :refused="saving.refused.value" />
    <form v-if="bounding" class="bounds" @submit.prevent="saveBounds">
      <LimitFields v-model:limits="limits" v-model:rate="rate" />
      <p class="d-flex align-items-center gap-2">
        <BButton type="submit" variant="primary" size="sm" :disabled="saving.busy.value">Save limits</BButton
        ><span class="text-body-secondary xs">0 is no limit</span><span class="flex-fill" /><button
          type="button"
          class="linkish s"
          @click="emit('enough')"
        >
          End with what is read
        </button>
      </p>
    </form>
  </section>
</template>

<style scoped>
.bounds {
  display: grid;
  gap: 8px;
  padding: 6px 0;
}
</style>
