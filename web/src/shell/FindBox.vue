<script setup lang="ts">
import { Search } from 'lucide-vue-next'
import { computed, onMounted, onUnmounted, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import type { CaseSummary } from '@/api/types'
import { goalsFor } from './find'

const props = defineProps<{ cases: readonly CaseSummary[] }>()

const router = useRouter()
const text = ref('')
const open = ref(false)
const chosen = ref(0)
const field = useTemplateRef<HTMLInputElement>('field')
const goals = computed(() => goalsFor(text.value, props.cases))

function hotkey(event: KeyboardEvent): void {
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
    event.preventDefault()
    field.value?.focus()
  }
}
onMounted(() => document.addEventListener('keydown', hotkey))
onUnmounted(() => document.removeEventListener('keydown', hotkey))

function move(by: number): void {
  chosen.value = (chosen.value + by + goals.value.length) % Math.max(1, goals.value.length)
}
function go(to: string | undefined): void {
  if (!to) return
  open.value = false
  text.value = ''
  field.value?.blur()
  void router.push(to)
}
</script>

<template>
  <div class="findwrap">
    <label class="find">
      <Search class="ic s14" aria-hidden="true" />
      <span class="visually-hidden">Find a case, a device, a serial or an action</span>
      <input
        ref="field"
        v-model="text"
        role="combobox"
        aria-controls="find-goals"
        :aria-expanded="open && goals.length > 0"
        :aria-activedescendant="open && goals[chosen] ? `goal-${chosen}` : undefined"
        placeholder="Case, device, serial or action"
        @focus="open = true"
        @blur="open = false"
        @input="chosen = 0"
        @keydown.down.prevent="move(1)"
        @keydown.up.prevent="move(-1)"
        @keydown.enter.prevent="go(goals[chosen]?.to)"
        @keydown.esc="field?.blur()"
      />
      <span class="kbd">Ctrl K</span>
    </label>
    <ul v-show="open" id="find-goals" role="listbox" aria-label="Found" class="goals sheet">
      <li v-for="(g, i) in goals" :id="`goal-${i}`" :key="g.to" role="option" :aria-selected="i === chosen" :class="{ on: i === chosen }" @mousedown.prevent="go(g.to)">
        {{ g.label }} <span class="mu xs">{{ g.hint }}</span>
      </li>
      <li v-if="!goals.length" role="option" aria-selected="false" class="mu">Nothing open matches “{{ text }}”.</li>
    </ul>
  </div>
</template>

<style scoped>
.findwrap { position: relative; }
.find input { border: 0; background: none; color: inherit; flex: 1; min-width: 0; font-size: 13px; outline: none; }
.find:focus-within { outline: 2px solid var(--focus); }
.find input::placeholder { color: var(--ink-2); }
.goals { position: absolute; top: 42px; left: 0; right: 0; z-index: 30; padding: 4px; border-color: var(--edge); }
.goals li { padding: 5px 8px; font-size: 13px; cursor: pointer; }
.goals li.on { background: var(--verd-wash); }
</style>
