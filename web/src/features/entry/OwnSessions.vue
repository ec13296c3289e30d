<script setup lang="ts">
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import ComingLines from '@/ui/ComingLines.vue'
import { dayAndTime } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'

const ending = useAction()
const open = useLive(
  '/api/staff/me/sessions',
  () => ({}),
  () => false,
)

async function end(mark: string): Promise<void> {
  await ending.run(() => api.delete('/api/staff/me/sessions/{mark}', { path: { mark } }))
  await open.refresh()
}
async function endOthers(): Promise<void> {
  await ending.run(() => api.delete('/api/staff/me/sessions'))
  await open.refresh()
}
</script>

<template>
  <section aria-labelledby="h-sessions">
    <div class="hd">
      <h2 id="h-sessions">Where you are signed in</h2>
      <span class="flex-fill" />
      <button
        v-if="(open.data.value?.length ?? 0) > 1"
        type="button"
        class="btn btn-quiet btn-sm"
        :disabled="ending.busy.value"
        @click="endOthers"
      >
        End all others
      </button>
    </div>
    <RefusedNote :refused="ending.refused.value ?? open.refused.value" />
    <ComingLines :of="open" :lines="2" />
    <table v-if="open.data.value" class="rows">
      <thead>
        <tr>
          <th scope="col">Since</th>
          <th scope="col">Last used</th>
          <th scope="col">Browser</th>
          <th scope="col">Address</th>
          <th scope="col"><span class="visually-hidden">End it</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in open.data.value" :key="s.mark">
          <td class="m">{{ dayAndTime(s.since) }}</td>
          <td class="m">{{ dayAndTime(s.active) }}</td>
          <td>{{ s.browser }}</td>
          <td class="m">{{ s.address }}</td>
          <td>
            <span v-if="s.here" class="c-ok">here</span>
            <button v-else type="button" class="linkish" :disabled="ending.busy.value" @click="end(s.mark)">End</button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
