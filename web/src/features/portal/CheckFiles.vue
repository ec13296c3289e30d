<script setup lang="ts">
import { FolderOpen, Pause, Play } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import type { PortalFile } from '@/api/types'
import { count, percent, shortHash, size } from '@/ui/format/format'
import HashLadder from '@/ui/instruments/HashLadder.vue'
import { asFound } from '@/ui/format/names'
import { checkable } from './check'
import { filesOfDrop, filesOfInput, type PathedFile } from './drop'
import type { Check } from './useCheck'
import { NotAZip } from './zip'

const props = defineProps<{
  /** Of the link that was opened. */
  token: string
  /** Of the delivery. */
  files: PortalFile[]
  /** The check in the browser. */
  check: Check
}>()
const MOST_NAMED = 8
const over = ref(false)
const trouble = ref('')
const lines = computed(() => checkable(props.files))
const results = computed(() => [...props.check.results.value.values()])
const differing = computed(() => results.value.filter((r) => r.verdict === 'differs'))
const recent = computed(() => results.value.slice(-3).reverse())

async function drop(event: DragEvent): Promise<void> {
  over.value = false
  if (!event.dataTransfer) return
  try {
    await take(await filesOfDrop(event.dataTransfer))
  } catch {
    trouble.value = 'Your browser could not read what was dropped; choose the folder instead.'
  }
}
async function take(files: PathedFile[]): Promise<void> {
  trouble.value = ''
  try {
    await props.check.add(files)
  } catch (e) {
    if (!(e instanceof NotAZip)) throw e
    trouble.value = `The ZIP cannot be read: ${e.message} Download it again, or unpack it and choose the folder.`
  }
}
async function chosen(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  if (input.files) await take(filesOfInput(input.files))
  input.value = ''
}
</script>

<template>
  <section aria-labelledby="h-check">
    <h2 id="h-check" class="h">Check every file yourself</h2>
    <p class="lead">
      Choose the ZIP as it came, or the folder you unpacked. Your browser reads every file from its first byte to its
      last and compares it with the signed list.
      <b>Nothing leaves your computer.</b>
    </p>
    <div class="drop" :class="{ over }" @dragover.prevent="over = true" @dragleave="over = false" @drop.prevent="drop">
      <FolderOpen class="big" aria-hidden="true" />
      <p>
        <b>Drop a folder or files, or choose</b><br />
        <label class="pick"
          >the ZIP<input
            type="file"
            accept=".zip,application/zip"
            class="visually-hidden"
            data-testid="zip"
            @change="chosen" /></label
        >,
        <label class="pick"
          >the unpacked folder<input
            type="file"
            webkitdirectory
            multiple
            class="visually-hidden"
            data-testid="folder"
            @change="chosen"
        /></label>
        or
        <label class="pick"
          >single files<input type="file" multiple class="visually-hidden" data-testid="files" @change="chosen"
        /></label>
      </p>
      <button v-if="check.busy.value" type="button" class="btn btn-quiet" @click="check.hold(!check.paused.value)">
        <component :is="check.paused.value ? Play : Pause" class="ic" aria-hidden="true" />
        {{ check.paused.value ? 'Go on' : 'Pause' }}
      </button>
    </div>
    <p v-if="trouble" class="refused" role="alert">{{ trouble }}</p>
    <p class="total" role="status">
      <b class="m">{{ count(check.sum.value.checked) }}</b> of {{ count(lines.length) }} files checked<span
        v-if="check.at.value"
        class="text-body-secondary s"
        >, now {{ check.at.value.name }} {{ percent(check.at.value.share, 1) }}</span
      >
    </p>
    <HashLadder
      :equal="check.sum.value.equal"
      :differing="check.sum.value.differs"
      :waiting="check.sum.value.waiting"
      upper="the signed list"
      lower="your files"
    />
    <ul class="sums">
      <li>{{ count(check.sum.value.equal) }} equal, byte for byte</li>
      <li v-if="differing.length" class="c-stop">
        <b>{{ differing.length }} {{ differing.length === 1 ? 'differs' : 'differ' }} from the list</b>
        <span v-for="d in differing" :key="d.line.number" class="s d"
          >{{ asFound(d.line.name) }}: {{ d.why }}
          <a class="link" :href="`/api/portal/${token}/files/${d.line.number}`" :download="d.line.name"
            >Download it again</a
          ></span
        >
      </li>
      <li v-if="check.strangers.value.length" class="s text-body-secondary">
        {{ count(check.strangers.value.length) }}
        {{ check.strangers.value.length === 1 ? 'other file is' : 'other files are' }} not on the list, for example
        {{ check.strangers.value[0] }}.
      </li>
      <li v-if="check.missing.value.length && !check.busy.value">
        <b>{{ count(check.missing.value.length) }} still missing:</b>
        <span v-for="m in check.missing.value.slice(0, MOST_NAMED)" :key="m.number" class="s d">{{
          asFound(m.name)
        }}</span>
        <span v-if="check.missing.value.length > MOST_NAMED" class="s d"
          >and {{ count(check.missing.value.length - MOST_NAMED) }} more</span
        >
      </li>
    </ul>
    <template v-if="recent.length">
      <p class="s text-body-secondary">just checked</p>
      <table class="rows">
        <tbody>
          <tr v-for="r in recent" :key="r.line.number">
            <td>{{ r.line.path?.replace(/^data\//, '') }}</td>
            <td class="n">{{ size(r.line.size) }}</td>
            <td class="m xs">{{ shortHash(r.line.sha256 ?? '') }}</td>
            <td>{{ r.verdict }}</td>
          </tr>
        </tbody>
      </table>
    </template>
  </section>
</template>

<style scoped>
.h {
  font-size: 24px;
  line-height: 30px;
  font-weight: 700;
}
.lead {
  color: var(--ink-2);
  font-size: 16px;
  margin: 4px 0 12px;
}
.drop {
  display: flex;
  align-items: center;
  gap: 18px;
  border: 2px dashed var(--verd);
  border-radius: 3px;
  background: var(--sheet);
  padding: 16px 20px;
}
.drop.over {
  background: var(--verd-wash);
  border-style: solid;
}
.drop p {
  flex: 1;
}
.big {
  width: 32px;
  height: 32px;
  color: var(--verd);
}
.pick {
  color: var(--verd);
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
}
.pick:focus-within {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}
.total {
  margin: 14px 0 6px;
}
.total b {
  font-size: 28px;
}
.sums {
  margin: 12px 0;
  display: grid;
  gap: 6px;
}
.d {
  display: block;
}
</style>
