<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import { nextTick, ref, useTemplateRef } from 'vue'

const props = defineProps<{ /** What the kept selection is called. */ name: string }>()
const emit = defineEmits<{ /** It is to be called otherwise. */ rename: [name: string] }>()

const box = useTemplateRef<HTMLElement>('box')
const editing = ref(false)
const words = ref('')

async function edit(): Promise<void> {
  words.value = props.name
  editing.value = true
  await nextTick()
  box.value?.querySelector('input')?.select()
}
function keep(): void {
  if (!editing.value) return
  editing.value = false
  const name = words.value.trim()
  if (name && name !== props.name) emit('rename', name)
}
</script>

<template>
  <span ref="box">
    <BFormInput
      v-if="editing"
      v-model="words"
      size="sm"
      maxlength="80"
      :aria-label="`Another name for ${name}`"
      @keydown.enter.prevent="keep"
      @keydown.escape.stop="editing = false"
      @blur="keep"
    />
    <button v-else type="button" class="called" :title="`Rename ${name}`" @click="edit">
      <b>{{ name }}</b>
    </button>
  </span>
</template>

<style scoped>
.called {
  border: 0;
  padding: 0;
  min-height: 24px;
  background: none;
  color: inherit;
  text-align: left;
}
.called:hover {
  text-decoration: underline dotted;
}
</style>
