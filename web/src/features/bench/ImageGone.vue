<script setup lang="ts">
import { computed } from 'vue'
import { shortPath } from '@/ui/format/format'
import { useImages } from './useImages'

const props = defineProps<{ /** The case. */ number: string }>()
const gone = computed(() => (images.data.value ?? []).filter((i) => !i.there))
const images = useImages(() => props.number)
</script>

<template>
  <div v-for="i in gone" :key="i.file" class="stopbox gone" role="status">
    <p>
      <b
        >The image of {{ i.sessions.length > 1 ? 'sessions' : 'session' }} {{ i.sessions.join(', ') }} is not where it
        was written:</b
      >
      <span class="m xs" :title="i.file">{{ shortPath(i.file) }}</span>. What was found, hashed, delivered and signed
      stays on record; looking at content, proving, scanning and recovering need the image.
    </p>
    <p>
      Put the file back there, or read the device again at
      <RouterLink class="link" :to="`/cases/${number}/imaging`">imaging</RouterLink>.
    </p>
  </div>
</template>

<style scoped>
.gone {
  margin: 6px 20px;
}
</style>
