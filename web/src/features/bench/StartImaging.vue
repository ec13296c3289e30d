<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { CaseBench, Docket, StopLimits } from '@/api/types'
import { dayAndTime, size } from '@/ui/format/format'
import RefusedNote from '@/ui/RefusedNote.vue'
import { pathOf } from '@/features/devices'
import HealthPanel from './HealthPanel.vue'
import PickCard from './PickCard.vue'
import StraightChoice from './StraightChoice.vue'
import { canGoOn, earlierWords, goOnWords, resumeWords } from './earlier'
import LimitFields from './LimitFields.vue'
import { limitWords, NO_LIMITS, profileName, profileValues } from './profiles'

const props = defineProps<{
  /** The case. */
  docket: Docket
  /** What stands where. */
  bench: CaseBench
  /** What is to be read. */
  attachment: NonNullable<CaseBench['attachment']>
}>()
const emit = defineEmits<{
  started: []
  /** Another medium is wanted. */
  other: []
  /** It is given back. */
  detached: []
}>()

const chosen = ref<string>()
/** What the device says of its health may change what is proposed: until then nothing is. */
const proposed = computed(() => (props.bench.healthAwaited ? undefined : props.bench.advice.profile))
const profile = computed(() => chosen.value ?? proposed.value)
const values = computed(() => props.bench.profiles.find((p) => p.code === profile.value))
const limits = ref<StopLimits>({ ...NO_LIMITS, ...values.value?.limits })
const rate = ref(0)
const own = ref(false)
watch(values, (v) => {
  if (!own.value && v) limits.value = { ...v.limits }
})
const starting = useAction()
const earlier = computed(() => props.bench.earlier)
const afresh = ref('')
/** Starting is what is likeliest wanted: nothing was read yet, or a new session goes on. */
const main = computed(() => !earlier.value || canGoOn(earlier.value))

/** Where a straight copy was decided on, that is what is likeliest wanted. */
const straight = computed(() => {
  const device = props.docket.devices.find((d) => d.id === props.bench.device)
  return pathOf(props.docket, device) === 'straight-copy'
})
const filesAlone = ref(true)
const whyFiles = ref('')
const copies = computed(() => straight.value && filesAlone.value && !earlier.value)

const shownLimits = computed(() => (own.value ? limits.value : (values.value?.limits ?? NO_LIMITS)))

async function start(): Promise<void> {
  if (!profile.value) return
  const body = {
    device: props.bench.device,
    profile: profile.value,
    mibPerSecond: rate.value || 0,
    limits: own.value ? limits.value : undefined,
    afresh: afresh.value.trim() || undefined,
    files: copies.value ? whyFiles.value.trim() : undefined,
  }
  if (
    await starting.run(() => api.post('/api/cases/{number}/imaging', { path: { number: props.docket.number }, body }))
  )
    emit('started')
}
async function resume(id: number): Promise<void> {
  if (await starting.run(() => api.post('/api/imaging/{id}/resume', { path: { id } }))) emit('started')
}
async function detach(): Promise<void> {
  if (
    await starting.run(() =>
      api.delete('/api/cases/{number}/bench/attachment', {
        path: { number: props.docket.number },
        query: { device: props.bench.device },
      }),
    )
  )
    emit('detached')
}
</script>

<template>
  <section class="stack" aria-labelledby="h-start">
    <div class="hd">
      <h2 id="h-start">{{ copies ? 'Copy its files' : 'Read it into an image' }}</h2>
      <span class="text-body-secondary"
        >attached {{ dayAndTime(attachment.at) }} by {{ attachment.who }}, identity
        {{ attachment.matched ? 'equal' : 'differs' }}</span
      ><span class="flex-fill" />
      <button type="button" class="btn btn-quiet btn-sm" @click="detach">Detach it</button>
      <button type="button" class="btn btn-quiet btn-sm" @click="emit('other')">Attach another medium</button>
    </div>
    <p class="m s">
      {{ attachment.medium }} · {{ attachment.identity.serial || 'no serial' }} · {{ size(attachment.identity.size) }}
    </p>
    <p v-if="!attachment.matched && attachment.decision" class="warnbox">
      Attached although its identity differs: {{ attachment.decision }}
    </p>
    <p v-if="attachment.writeBlock" class="warnbox">
      Read although it could be written to: {{ attachment.writeBlock }}
    </p>
    <div class="two">
      <div class="stack">
        <StraightChoice v-if="straight && !earlier" v-model:files="filesAlone" v-model:reason="whyFiles" />
        <fieldset class="profiles">
          <legend class="fw-semibold s">Care profile</legend>
          <PickCard v-for="p in bench.profiles" :key="p.code" :on="p.code === profile">
            <input
              type="radio"
              name="profile"
              class="form-check-input"
              :value="p.code"
              :checked="p.code === profile"
              @change="chosen = p.code"
            />
            <b>{{ profileName(p.code) }}</b>
            <span v-if="p.code === proposed" class="prop xs">proposed</span>
            <span class="text-body-secondary s">{{ p.words }}</span>
          </PickCard>
        </fieldset>
        <p v-if="proposed" class="s">
          <b>Why {{ profileName(proposed) }}:</b> {{ bench.advice.why }}
        </p>
        <p v-else class="s" role="status">
          <b>Asking the device how it is</b>; a profile is proposed from what it says. Choose one yourself not to wait.
        </p>
        <dl v-if="values" class="vals">
          <div v-for="v in profileValues(values)" :key="v.what">
            <dt class="xs text-body-secondary">{{ v.what }}</dt>
            <dd class="m s">{{ v.value }}</dd>
          </div>
        </dl>
        <details v-if="values" :open="own" @toggle="own = ($event.target as HTMLDetailsElement).open">
          <summary class="s">
            <b>Stops at</b> <span class="text-body-secondary">{{ limitWords(shownLimits) }}</span>
          </summary>
          <LimitFields v-model:limits="limits" v-model:rate="rate" class="lim" />
          <p class="xs text-body-secondary">
            0 is no limit. Each stops the session and asks at the Desk; the temperature rests it until it is 5 °C
            cooler.
          </p>
        </details>
        <div v-if="earlier" class="stack">
          <p class="warnbox" role="status">
            <b>{{ earlierWords(earlier).bold }}</b> {{ earlierWords(earlier).rest }}
          </p>
          <label for="afresh" class="s">Why it is read from its beginning all the same</label>
          <BFormInput id="afresh" v-model="afresh" size="sm" placeholder="the cable was bad; the image is doubted" />
        </div>
        <RefusedNote :refused="starting.refused.value" />
        <p class="d-flex gap-2">
          <BButton
            v-if="earlier && earlier.state !== 'done'"
            variant="primary"
            :disabled="starting.busy.value"
            @click="resume(earlier.session)"
            >{{ resumeWords(earlier) }}</BButton
          >
          <BButton
            v-if="!earlier || canGoOn(earlier) || afresh.trim()"
            :variant="main ? 'primary' : undefined"
            :class="{ 'btn-quiet': !main }"
            :disabled="starting.busy.value || !profile || (copies && !whyFiles.trim())"
            @click="start"
            >{{
              copies
                ? 'Start copying'
                : !earlier
                  ? 'Start imaging'
                  : afresh.trim()
                    ? 'Read it afresh'
                    : goOnWords(earlier)
            }}</BButton
          >
        </p>
      </div>
      <HealthPanel :number="docket.number" :device="bench.device" :limits="shownLimits" :events="[]" ask />
    </div>
  </section>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 10px;
  align-content: start;
  min-width: 0;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
  gap: 24px;
}
.profiles {
  display: grid;
  gap: 4px;
}
.prop {
  margin: 0 4px;
  border: 1px solid var(--heather);
  color: var(--heather-d);
  border-radius: 3px;
  padding: 0 5px;
}
.vals {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
}
.lim {
  padding: 8px 0 4px;
}
@media (width <= 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
