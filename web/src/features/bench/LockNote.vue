<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { LockState } from '@/api/types'
import { dayAndTime } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'

const props = defineProps<{
  /** The case. */
  number: string
  /** Why the device must not be touched, and which releases stand. */
  locks: LockState
}>()
const emit = defineEmits<{ changed: [] }>()

const reason = ref('')
const acting = useAction()
const shut = computed(() => props.locks.rules.filter((r) => r.forbids && !r.release))
const released = computed(() => props.locks.rules.filter((r) => r.forbids && r.release))

async function release(rule: string): Promise<void> {
  if (
    await acting.run(() =>
      api.post('/api/cases/{number}/locks/releases', {
        path: { number: props.number },
        query: { device: props.locks.device },
        body: { rule, reason: reason.value },
      }),
    )
  ) {
    reason.value = ''
    emit('changed')
  }
}
async function withdraw(rule: string): Promise<void> {
  if (
    await acting.run(() =>
      api.delete('/api/cases/{number}/locks/releases/{rule}', {
        path: { number: props.number, rule },
        query: { device: props.locks.device },
      }),
    )
  )
    emit('changed')
}
</script>

<template>
  <section v-if="locks.untouchable.length || released.length" class="locks" aria-label="May the device be touched">
    <div v-if="locks.untouchable.length" class="stopbox">
      <p v-for="w in locks.untouchable" :key="w"><b>Do not touch the device.</b> {{ w }}</p>
      <form
        v-for="r in shut"
        :key="r.code"
        class="d-flex align-items-center gap-2 why"
        @submit.prevent="release(r.code)"
      >
        <BFormInput
          v-model="reason"
          aria-label="Why the device may be touched all the same"
          placeholder="for example: the partner's bench changed its heads and let it run for an hour"
        />
        <button type="submit" class="btn btn-quiet text-nowrap" :disabled="acting.busy.value || !reason.trim()">
          Release it
        </button>
      </form>
    </div>
    <p v-for="r in released" :key="r.code" class="warnbox s">
      <b>Released from a stop rule</b> ({{ r.because.join(', ') }}) by {{ r.release?.who }},
      {{ dayAndTime(r.release!.at) }}: “{{ r.release?.reason }}” It ends when the facts change.
      <button type="button" class="linkish" :disabled="acting.busy.value" @click="withdraw(r.code)">
        Take it back
      </button>
    </p>
    <RefusedNote :refused="acting.refused.value" />
  </section>
</template>

<style scoped>
.locks {
  display: grid;
  gap: 8px;
}
.why {
  margin-top: 8px;
}
</style>
