<script setup lang="ts">
import { Search } from 'lucide-vue-next'
import { useEventListener } from '@vueuse/core'
import { ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { useFind } from './useFind'

const router = useRouter()
const open = ref(false)
const field = useTemplateRef<HTMLInputElement>('field')
const { text, goals, chosen, looking, afresh, typed, move, enter } = useFind(go)

function hotkey(event: KeyboardEvent): void {
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
    event.preventDefault()
    field.value?.focus()
  }
}
useEventListener(document, 'keydown', hotkey)

function begin(): void {
  afresh()
  open.value = true
}
function leave(): void {
  open.value = false
  afresh()
}
function go(to: string): void {
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
        @focus="begin"
        @blur="leave"
        @input="typed"
        @keydown.down.prevent="move(1)"
        @keydown.up.prevent="move(-1)"
        @keydown.enter.prevent="enter"
        @keydown.esc="field?.blur()"
      />
      <span class="kbd">Ctrl K</span>
    </label>
    <ul v-show="open" id="find-goals" data-over role="listbox" aria-label="Found" class="goals sheet">
      <li
        v-for="(g, i) in goals"
        :id="`goal-${i}`"
        :key="g.to"
        role="option"
        :aria-selected="i === chosen"
        :class="{ on: i === chosen }"
        @mousedown.prevent="go(g.to)"
      >
        <span class="text-truncate">{{ g.label }}</span><span class="text-body-secondary xs text-truncate"
          >{{ g.near ? 'nearly: ' : '' }}{{ g.by.length ? `“${g.by.join('”, “')}” · ` : '' }}{{ g.hint }}</span
        >
      </li>
      <li v-if="!goals.length" role="option" aria-selected="false" class="text-body-secondary">
        {{ looking ? `Looking for “${text}” …` : `Nothing matches “${text}”.` }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
.findwrap {
  position: relative;
}
.find input {
  border: 0;
  background: none;
  color: inherit;
  flex: 1;
  min-width: 0;
  font-size: 13px;
  outline: none;
}
.find:focus-within {
  outline: 2px solid var(--focus);
}
.find input::placeholder {
  color: var(--ink-2);
}
.goals {
  width: min(420px, 94vw);
  position: absolute;
  top: 42px;
  right: 0;
  z-index: 30;
  padding: 4px;
  border-color: var(--edge);
}

/* Where the bar breaks into lines, the list is as wide as the page, wherever the field came to stand. */
@media (width <= 900px) {
  .findwrap {
    position: static;
  }
  .goals {
    width: auto;
    top: auto;
    left: 3vw;
    right: 3vw;
  }
}
.goals li {
  padding: 5px 8px;
  font-size: 13px;
  cursor: pointer;
  display: flex;
  gap: 10px;
  justify-content: space-between;
}
.goals li.on {
  background: var(--verd-wash);
}
</style>
