<script setup lang="ts">
import { useClipboard } from '@vueuse/core'

const props = defineProps<{ /** As they were made, seen this once. */ codes: string[] }>()
const { copy, copied, isSupported } = useClipboard()
</script>

<template>
  <div class="warnbox">
    <p class="fw-semibold">Write these down now; they are not shown again.</p>
    <p class="s">Each opens once in place of a code. Those of before open nothing any more.</p>
    <ul class="m">
      <li v-for="c in props.codes" :key="c">{{ c }}</li>
    </ul>
    <button v-if="isSupported" type="button" class="btn btn-quiet btn-sm" @click="copy(props.codes.join('\n'))">
      {{ copied ? 'Copied' : 'Copy them' }}
    </button>
  </div>
</template>

<style scoped>
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  margin: 6px 0;
}
</style>
