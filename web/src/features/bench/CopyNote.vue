<script setup lang="ts">
import type { ImagingView } from '@/api/types'
import { count, size } from '@/ui/format/format'

defineProps<{
  /** A session that copies files. */
  session: ImagingView
  /** What it copies. */
  files: NonNullable<ImagingView['files']>
}>()
</script>

<template>
  <section class="copy" aria-labelledby="h-copy">
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
