<script setup lang="ts">
import { Check } from 'lucide-vue-next'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import { offerUndo } from '@/api/undo'
import type { Docket, Ranking, RecoveryPath, TriageHistory } from '@/api/types'
import { dayAndTime } from '@/ui/format/format'
import { whichOf } from '@/features/devices'
import RefusedNote from '@/ui/RefusedNote.vue'
import { useKeys } from '@/ui/keys'
import { decidedMeanwhile, needOf, picked, type Pick } from './decision'

const props = defineProps<{
  /** The case. */
  docket: Docket
  /** The device that is shown. */
  device: Docket['devices'][number]
  /** The paths that can be chosen, best first. */
  ranking: Ranking
  /** The path that would be decided on. */
  path: RecoveryPath
  /** Newest first. */
  history: TriageHistory['decisions']
  /** A path's name. */
  label: (code: string) => string
  /** The ranking has moved since the decision that stands, so deciding the same again means something. */
  moved?: boolean
}>()
const emit = defineEmits<{ decided: [] }>()
const chosen = defineModel<Pick | undefined>({ required: true })

const reason = ref('')
const deciding = useAction()
const several = computed(() => props.docket.devices.length > 1)
/** Whether it is decided for this device alone; the first one stands for its case until it has a path of its own. */
const alone = ref(several.value && (props.device.position > 1 || props.device.ownPath !== undefined))
/** How many others go the way of the case. */
const following = computed(() => props.docket.devices.filter((d) => !d.ownPath).length)
/** What stands for what is decided. */
const stands = computed(() =>
  alone.value
    ? { path: props.device.ownPath, pathReason: props.device.ownReason }
    : { path: props.docket.path, pathReason: props.docket.pathReason },
)
const need = computed(() => needOf(props.ranking, props.path))
const standing = computed(() =>
  props.history.find((h) => !h.undone && h.device === (alone.value ? props.device.id : undefined)),
)
const earlier = computed(() => props.history.filter((h) => h !== standing.value))
const meanwhile = computed(() => decidedMeanwhile(chosen.value, stands.value))
/** It stands so already; a case that is closed is opened again by the same decision. */
const same = computed(
  () => props.docket.stage !== 'closed' && props.path === stands.value.path && !reason.value.trim() && !props.moved,
)
const ready = computed(
  () =>
    !deciding.busy.value &&
    !meanwhile.value &&
    !same.value &&
    (need.value.kind === 'nothing' || reason.value.trim() !== ''),
)

/** For which device a decision was made, of several. */
function of(id: number | undefined): string {
  const device = props.docket.devices.find((d) => d.id === id)
  return device && several.value ? ` for ${whichOf(device)}` : ''
}
function pick(path: RecoveryPath): void {
  chosen.value = picked(path, stands.value)
}
/** A reason is written for the path that is seen. */
watch(reason, (words) => {
  if (words.trim() && !chosen.value) pick(props.path)
})
function takeTheirs(): void {
  reason.value = ''
  chosen.value = undefined
}

async function decide(): Promise<void> {
  if (!ready.value) return
  const path = props.path
  if (
    !(await deciding.run(() =>
      api.post('/api/cases/{number}/triage/decision', {
        path: { number: props.docket.number },
        body: {
          path,
          device: alone.value ? props.device.id : undefined,
          reason: reason.value,
          version: props.docket.version,
        },
      }),
    ))
  )
    return
  takeTheirs()
  const of = alone.value ? `${props.docket.number}, ${whichOf(props.device)}` : props.docket.number
  offerUndo(`${of}: ${props.label(path).toLowerCase()} was decided.`, () =>
    api.post('/api/cases/{number}/triage/undo', { path: { number: props.docket.number } }),
  )
  emit('decided')
}
useKeys([
  {
    key: 'D',
    does: () => (ready.value ? `decide: ${props.label(props.path).toLowerCase()}` : undefined),
    run: () => void decide(),
  },
])
</script>

<template>
  <form class="sheet decide" @submit.prevent="decide">
    <div class="hd">
      <h2>Decide</h2>
      <span v-if="stands.path && standing" class="text-body-secondary"
        >now: <b>{{ label(stands.path) }}</b>, {{ dayAndTime(standing.at) }} by {{ standing.who }}</span
      >
    </div>
    <p v-if="stands.pathReason" class="s quote">“{{ stands.pathReason }}”</p>
    <fieldset v-if="several" class="s whom">
      <legend class="visually-hidden">For what it is decided</legend>
      <label
        ><input v-model="alone" type="radio" class="form-check-input" :value="true" /> for
        {{ whichOf(device) }} alone</label
      >
      <label
        ><input v-model="alone" type="radio" class="form-check-input" :value="false" /> for all that have no path of
        their own <span class="text-body-secondary">({{ following }} of {{ docket.devices.length }})</span></label
      >
    </fieldset>
    <a
      v-if="docket.path === 'decline'"
      class="link s"
      :href="`/api/cases/${docket.number}/decline.pdf`"
      target="_blank"
      rel="noopener"
      >The letter to the customer (PDF)</a
    >
    <div class="paths" role="radiogroup" aria-label="Recovery path">
      <button
        v-for="p in ranking.ranking"
        :key="p.path"
        type="button"
        role="radio"
        class="opt pick"
        :class="{ taken: p.path === path, barred: p.barred }"
        :aria-checked="p.path === path"
        @click="pick(p.path)"
      >
        <Check v-if="p.path === path" class="ic s14" aria-hidden="true" /> {{ p.label
        }}<span v-if="p.barred" class="xs"> barred</span>
      </button>
    </div>
    <div v-if="meanwhile" class="warnbox s" role="alert">
      <p>
        <b v-if="stands.path && standing"
          >{{ standing.who }} decided on {{ label(stands.path).toLowerCase() }} meanwhile<template
            v-if="stands.pathReason"
            >: “{{ stands.pathReason }}”</template
          ></b
        ><b v-else>The decision that stood was taken back meanwhile.</b> You picked {{ label(path).toLowerCase() }};
        nothing of yours was recorded.
      </p>
      <p class="d-flex gap-2">
        <button type="button" class="btn btn-quiet btn-sm" @click="pick(path)">Keep mine</button>
        <button type="button" class="btn btn-quiet btn-sm" @click="takeTheirs">Take theirs</button>
      </p>
    </div>
    <p v-if="need.kind === 'reason' && !same" class="xs c-warn">{{ need.why }}</p>
    <div class="d-flex align-items-center gap-2">
      <BFormInput
        v-model="reason"
        aria-label="Reason"
        :placeholder="need.kind === 'reason' && !same ? 'Reason, needed' : 'Reason, if you like'"
      />
      <BButton type="submit" variant="primary" :disabled="!ready">Decide <span class="kbd">D</span></BButton>
    </div>
    <RefusedNote :refused="deciding.refused.value" />
    <details v-if="earlier.length" class="xs text-body-secondary">
      <summary>{{ earlier.length === 1 ? 'One earlier decision' : `${earlier.length} earlier decisions` }}</summary>
      <p v-for="h in earlier" :key="h.id">
        <b :class="{ gone: h.undone }">{{ label(h.path) }}</b>{{ of(h.device) }}{{ h.undone ? ' (taken back)' : '' }},
        {{ dayAndTime(h.at) }} by {{ h.who }}, {{ h.protocol }}<template v-if="h.reason">: “{{ h.reason }}”</template>
      </p>
    </details>
  </form>
</template>

<style scoped>
.decide {
  padding: 10px 12px 12px;
  display: grid;
  gap: 8px;
}
.paths {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.pick.taken {
  background: var(--verd);
  border-color: var(--verd);
  color: var(--on-verd);
  font-weight: 600;
}
.pick.barred:not(.taken) {
  color: var(--ink-2);
  border-style: dashed;
}
.whom {
  display: grid;
  gap: 6px;
}

/* What can be pressed is 24 points from its neighbour. */
.whom label {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 24px;
}
.gone {
  text-decoration: line-through;
}
</style>
