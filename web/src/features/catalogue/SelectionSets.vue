<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { useLive } from '@/api/live'
import { offerUndo } from '@/api/undo'
import { count, dayAndTime } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import KeptName from './KeptName.vue'
import RemarkChosen from './RemarkChosen.vue'
import { effect, HOWS, type How } from './selections'

const props = defineProps<{
  /** The case. */
  number: string
  /** How many findings are chosen. */
  chosen: number
}>()

const isOurs = (what: string, c?: string) => c === props.number && what === 'selection'
const kept = useLive('/api/cases/{number}/catalogue/selection/kept', () => ({ path: { number: props.number } }), isOurs)
const changes = useLive(
  '/api/cases/{number}/catalogue/selection/changes',
  () => ({ path: { number: props.number } }),
  isOurs,
)
const changing = useAction()
const name = ref('')

async function fresh(): Promise<void> {
  await Promise.all([kept.refresh(), changes.refresh()])
}
async function keep(): Promise<void> {
  const done = await changing.run(() =>
    api.post('/api/cases/{number}/catalogue/selection/kept', {
      path: { number: props.number },
      body: { name: name.value, letGo: false },
    }),
  )
  if (done) name.value = ''
  await fresh()
}
const put = (id: number, called: string, gone: boolean) =>
  api.put('/api/cases/{number}/catalogue/selection/kept/{id}', {
    path: { number: props.number, id },
    body: { name: called, letGo: gone },
  })
/** Changes a kept selection, and offers the way back. */
async function change(words: string, there: () => Promise<unknown>, back: () => Promise<unknown>): Promise<void> {
  await changing.run(async () => {
    await there()
    offerUndo(words, async () => {
      await back()
      await kept.refresh()
    })
    await kept.refresh()
  })
}
const letGo = (id: number, called: string) =>
  change(
    `“${called}” is no longer kept.`,
    () => put(id, called, true),
    () => put(id, called, false),
  )
const rename = (id: number, from: string, to: string) =>
  change(
    `“${from}” is called “${to}”.`,
    () => put(id, to, false),
    () => put(id, from, false),
  )
async function apply(id: number, how: How, words: string): Promise<void> {
  await changing.run(async () => {
    const { change, changed } = await api.post('/api/cases/{number}/catalogue/selection/kept/{id}', {
      path: { number: props.number, id },
      body: { how },
    })
    if (changed) offerUndo(words, () => takeBack(change), { quiet: true })
  })
  await fresh()
}
async function takeBack(change: number): Promise<void> {
  await changing.run(() =>
    api.delete('/api/cases/{number}/catalogue/selection/{change}', { path: { number: props.number, change } }),
  )
  await fresh()
}
</script>

<template>
  <div class="sets">
    <section aria-labelledby="h-kept">
      <h3 id="h-kept">Kept selections</h3>
      <form v-if="chosen" class="keep" @submit.prevent="keep">
        <label for="keep-as" class="s">keep the {{ count(chosen) }} chosen as</label>
        <BFormInput id="keep-as" v-model="name" size="sm" maxlength="80" />
        <button type="submit" class="btn btn-quiet btn-sm" :disabled="changing.busy.value || !name.trim()">Keep</button>
      </form>
      <RemarkChosen v-if="chosen" :number="number" :chosen="chosen" />
      <ul v-if="kept.data.value?.length" class="plain">
        <li v-for="k in kept.data.value" :key="k.id">
          <KeptName :name="k.name" @rename="(to) => rename(k.id, k.name, to)" />
          <span class="xs text-body-secondary">{{ count(k.files) }}, by {{ k.keptBy }}</span>
          <span class="does">
            <button
              v-for="[how, words] in HOWS"
              :key="how"
              type="button"
              class="linkish s"
              :disabled="changing.busy.value"
              :aria-label="`${words}: ${k.name}`"
              @click="apply(k.id, how, `“${k.name}”: ${words}.`)"
            >
              {{ words }}
            </button>
            <button type="button" class="let-go s" :aria-label="`Let “${k.name}” go`" @click="letGo(k.id, k.name)">
              ×
            </button>
          </span>
        </li>
      </ul>
      <p v-else-if="kept.data.value" class="s text-body-secondary">
        None yet. A selection that is kept can be added to what is chosen later, or taken away from it.
      </p>
    </section>
    <section aria-labelledby="h-changes">
      <h3 id="h-changes">How it was chosen</h3>
      <ol v-if="changes.data.value?.length" class="plain changes" tabindex="0" aria-label="Changes, the newest first">
        <li v-for="c in changes.data.value" :key="c.id" :class="{ back: c.takenBackBy }">
          <span class="what">{{ c.what }}</span>
          <span class="xs text-body-secondary"
            >{{ effect(c) }} {{ c.who }}, {{ dayAndTime(c.at)
            }}<template v-if="c.takenBackBy"> taken back by {{ c.takenBackBy }}</template></span
          >
          <button
            v-if="!c.takenBackBy"
            type="button"
            class="linkish s"
            :disabled="changing.busy.value"
            :aria-label="`take back: ${c.what}`"
            @click="takeBack(c.id)"
          >
            take back
          </button>
        </li>
      </ol>
      <p v-else-if="changes.data.value" class="s text-body-secondary">Nobody has chosen anything yet.</p>
    </section>
    <RefusedNote :refused="changing.refused.value ?? kept.refused.value ?? changes.refused.value" />
  </div>
</template>

<style scoped>
.sets {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: 4px 28px;
  padding: 10px 18px;
  border-top: 1px solid var(--line);
  background: var(--paper);
}
h3 {
  font-size: 13px;
  margin: 0 0 4px;
}
.keep {
  display: flex;
  align-items: center;
  gap: 6px;
  margin-bottom: 6px;
}
.keep input {
  max-width: 200px;
}
.plain {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 168px;
  overflow: auto;
}
.plain li {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 10px;
  padding: 3px 0;
  border-bottom: 1px dotted var(--line);
}
.does {
  display: inline-flex;
  align-items: baseline;
  gap: 10px;
  margin-left: auto;
}
.changes .linkish {
  margin-left: auto;
}
.what {
  overflow-wrap: anywhere;
}
.back .what {
  text-decoration: line-through;
  color: var(--ink-2);
}
.let-go {
  min-width: 24px;
  min-height: 24px;
  border: 0;
  background: none;
  color: var(--ink-2);
}
@media (width <= 900px) {
  .sets {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
