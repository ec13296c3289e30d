<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import type { ImagingView } from '@/api/types'
import { count, size } from '@/ui/format/format'

defineProps<{
  /** A session that copies files. */
  session: ImagingView
  /** What it copies. */
  files: NonNullable<ImagingView['files']>
  /** Something was asked of the server already. */
  busy: boolean
}>()
const emit = defineEmits<{
  /** It is to become an image of all of the device. */
  whole: []
  /** It is to end with what is read. */
  enough: []
}>()
</script>

<template>
  <section class="copy" :class="{ warnbox: files.unsound }" aria-labelledby="h-copy">
    <h2 id="h-copy">Straight copy</h2>
    <p class="s">
      <template v-if="files.count !== undefined && files.inAll !== undefined"
        >{{ count(files.count) }} {{ files.count === 1 ? 'file is' : 'files are' }} listed; with the records that is
        {{ size(files.inAll) }} of {{ size(session.size) }}.</template
      ><template v-else>Its records are being read; how many files they list is not known yet.</template> No image of
      all is made: {{ files.reason }}
    </p>
    <ul v-if="files.leftOut.length" class="s">
      <li v-for="left in files.leftOut" :key="left">Not copied: {{ left }}</li>
    </ul>
    <template v-if="files.unsound && session.state === 'paused'">
      <p class="s"><b>It is not sound.</b> {{ files.unsound }}</p>
      <p class="s">An image of all goes on with what was read, as gently as the profile says, and finds more.</p>
      <p class="d-flex gap-2">
        <BButton variant="primary" size="sm" :disabled="busy" @click="emit('whole')">Image it instead</BButton>
        <BButton class="btn-quiet" size="sm" :disabled="busy" @click="emit('enough')">End with what is read</BButton>
      </p>
    </template>
  </section>
</template>

<style scoped>
.copy {
  display: grid;
  gap: 4px;
}
.copy h2 {
  font-size: inherit;
}
</style>
