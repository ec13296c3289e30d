<script setup lang="ts">
import { Phone } from 'lucide-vue-next'
import { shallowRef } from 'vue'
import { api, type Answer } from '@/api/client'

const props = defineProps<{ /** Of the link, whether it opens or not. */ token: string }>()
const lab = shallowRef<Answer<'/api/portal/{token}/lab', 'get'>>()
void api.get('/api/portal/{token}/lab', { path: { token: props.token } }).then(
  (found) => (lab.value = found),
  () => undefined, // without an answer there is no number to show
)
</script>

<template>
  <p v-if="lab" class="s">
    Something is not right?
    <a class="link" :href="`tel:${lab.phone.replace(/\s/g, '')}`"
      ><Phone class="ic s14" aria-hidden="true" /> Call {{ lab.lab }}: {{ lab.phone }}</a
    >
  </p>
</template>
