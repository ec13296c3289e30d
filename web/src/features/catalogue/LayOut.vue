<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import type { Docket } from '@/api/types'
import { SYSTEMS, type OpensOn } from '@/features/cases'
import { bytes, count, size } from '@/ui/format/format'
import { useKeys } from '@/ui/keys'
import ComingLines from '@/ui/ComingLines.vue'
import RefusedNote from '@/ui/RefusedNote.vue'
import LaidRows from './LaidRows.vue'
import { changeSentences, crumbs, LAYOUTS, type Layout } from './laid'

const props = defineProps<{
  /** The case whose selection is laid out. */
  docket: Docket
}>()
const emit = defineEmits<{
  /** Back to the findings. */
  leave: []
}>()
const layout = defineModel<Layout>({ required: true })

const router = useRouter()
const opensOn = ref<OpensOn>(props.docket.opensOn ?? 'every')
const folder = ref('')
const recovering = useAction()
const live = useLive(
  '/api/cases/{number}/recovery/layout',
  () => ({
    path: { number: props.docket.number },
    query: { layout: layout.value, opensOn: opensOn.value, folder: folder.value },
  }),
  (what, c) => c === props.docket.number && (what === 'selection' || what === 'catalogue'),
)
watch([layout, opensOn], () => (folder.value = ''))
const laid = computed(() => live.data.value)
const sentences = computed(() => (laid.value ? changeSentences(laid.value.sum.changes, laid.value.opensOn) : []))
const tooFull = computed(() => !!laid.value && laid.value.sum.bytes > laid.value.sum.room)

async function recover(): Promise<void> {
  if (!laid.value?.sum.files || recovering.busy.value) return
  const ordered = await recovering.run(() =>
    api.post('/api/cases/{number}/recovery', {
      path: { number: props.docket.number },
      body: { layout: layout.value, opensOn: opensOn.value },
    }),
  )
  if (ordered) await router.push(`/cases/${props.docket.number}/recovery`)
}
function up(): void {
  if (!folder.value) return emit('leave')
  folder.value = folder.value.split('/').slice(0, -1).join('/')
}
useKeys([
  { key: 'R', does: () => (laid.value?.sum.files ? 'recover' : undefined), run: () => void recover() },
  { key: 'Escape', does: () => (folder.value ? 'up' : 'back to the findings'), run: up },
])
</script>

<template>
  <div class="layout">
    <div>
      <header class="head">
        <h2 class="h">Lay out</h2>
        <span role="group" aria-label="Folders" class="group">
          <button
            v-for="[code, words, title] in LAYOUTS"
            :key="code"
            type="button"
            class="opt"
            :class="{ on: layout === code }"
            :aria-pressed="layout === code"
            :title="title"
            @click="layout = code"
          >
            {{ words }}
          </button>
        </span>
        <span role="group" aria-label="It will be opened on" class="group s"
          >opened on
          <button
            v-for="[code, words] in SYSTEMS"
            :key="code"
            type="button"
            class="opt"
            :class="{ on: opensOn === code }"
            :aria-pressed="opensOn === code"
            @click="opensOn = code"
          >
            {{ words }}
          </button>
        </span>
        <span v-if="!docket.opensOn" class="xs text-body-secondary">nobody asked the customer yet</span>
      </header>
      <RefusedNote :refused="live.refused.value ?? recovering.refused.value" />
    </div>
    <div class="scroll" tabindex="-1">
      <ComingLines v-if="!laid" :of="live" :lines="8" />
      <template v-else>
        <ul v-if="sentences.length || laid.sum.overwritten" class="said s">
          <li v-for="s in sentences" :key="s">{{ s }}</li>
          <li v-if="laid.sum.overwritten">
            {{ count(laid.sum.overwritten) }} overwritten: nothing of them is left to write; the account says so.
          </li>
        </ul>
        <nav aria-label="Folder" class="crumbs">
          <button type="button" class="linkish" :aria-current="folder ? undefined : 'page'" @click="folder = ''">
            the delivery
          </button>
          <template v-for="c in crumbs(folder)" :key="c.folder">
            <span aria-hidden="true">/</span>
            <button
              type="button"
              class="linkish"
              :aria-current="c.folder === folder ? 'page' : undefined"
              @click="folder = c.folder"
            >
              {{ c.name }}
            </button>
          </template>
        </nav>
        <LaidRows :laid="laid" @open="(name) => (folder = folder ? `${folder}/${name}` : name)" />
      </template>
    </div>
    <footer v-if="laid" class="chosen">
      <div class="fig">
        <b>{{ count(laid.sum.files) }}</b><span>files</span>
      </div>
      <div class="fig">
        <b :title="bytes(laid.sum.bytes)">{{ size(laid.sum.bytes) }}</b><span>to write</span>
      </div>
      <div class="fig">
        <b>{{ count(laid.sum.folders) }}</b><span>{{ laid.sum.folders === 1 ? 'folder' : 'folders' }}</span>
      </div>
      <div class="fig">
        <b :class="{ 'c-stop': tooFull }" :title="bytes(laid.sum.room)">{{ size(laid.sum.room) }}</b><span
          >free in the lab store</span
        >
      </div>
      <p v-if="tooFull" class="s c-stop">It does not fit; make room in the lab store, or choose less.</p>
      <span class="flex-fill" />
      <button type="button" class="btn btn-quiet" @click="emit('leave')">Back to the findings</button>
      <BButton variant="primary" :disabled="recovering.busy.value || !laid.sum.files" @click="recover"
        >Recover {{ count(laid.sum.files) }} {{ laid.sum.files === 1 ? 'file' : 'files' }}
        <span class="kbd">R</span></BButton
      >
    </footer>
  </div>
</template>

<style scoped>
.layout {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto minmax(0, 1fr) auto;
  height: 100%;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 22px;
  padding: 10px 18px;
  border-bottom: 1px solid var(--line);
}
.h {
  font-size: 15px;
  margin: 0;
}
.group {
  display: inline-flex;
  align-items: center;
  gap: 4px;
  flex-wrap: wrap;
}
.scroll {
  position: relative;
  overflow: auto;
}
.said {
  margin: 8px 18px 0;
  padding: 0;
  list-style: none;
}
.crumbs {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  padding: 8px 18px 2px;
}
.crumbs [aria-current] {
  color: var(--ink);
  font-weight: 650;
  text-decoration: none;
}
@media (width <= 900px) {
  .layout {
    height: auto;
  }
}
</style>
