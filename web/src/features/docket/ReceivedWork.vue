<script setup lang="ts">
import { Pencil } from 'lucide-vue-next'
import { computed } from 'vue'
import { useLive } from '@/api/live'
import type { Docket, WantedState } from '@/api/types'
import { day, dayAndTime, size, zoneName } from '@/ui/format/format'
import { systemName } from '@/features/cases'
import { DeviceTable, useWhich } from '@/features/devices'
import { sayFact, useVocabulary } from '@/features/triage'
import ConsentMore from './ConsentMore.vue'
import MergeCustomer from './MergeCustomer.vue'
import { agreedTo } from './consent'

const props = defineProps<{
  /** The case. */
  docket: Docket
  /** How the lines stand; empty while it is not known. */
  wanted: WantedState[]
}>()
const emit = defineEmits<{ changed: [] }>()
const vocabulary = useVocabulary()
const which = useWhich()
const corrected = useLive(
  '/api/cases/{number}/corrected',
  () => ({ path: { number: props.docket.number } }),
  (what, c) => what === 'case' && c === props.docket.number,
)
const agreed = computed(() => agreedTo(props.docket.consent))
const times = (w: WantedState) =>
  [
    w.line.from ? `from ${day(w.line.from)} ${w.line.from.slice(0, 4)}` : '',
    w.line.to ? `to ${day(w.line.to)} ${w.line.to.slice(0, 4)}` : '',
  ]
    .filter(Boolean)
    .join(' ')
</script>

<template>
  <div class="stack">
    <div class="hd">
      <h2>What was said</h2>
      <span class="text-body-secondary" :title="zoneName()"
        >logged {{ dayAndTime(docket.createdAt) }}, with {{ docket.owner.name }} now</span
      ><span class="flex-fill" />
      <RouterLink class="btn btn-quiet btn-sm" :to="`/cases/${docket.number}/intake`"
        ><Pencil class="ic s14" aria-hidden="true" /> Edit intake <span class="kbd">E</span></RouterLink
      >
    </div>
    <p v-if="docket.story" class="quote story" dir="auto">“{{ docket.story }}”</p>
    <p v-else class="text-body-secondary">No story was noted.</p>
    <dl class="kv">
      <dt>Customer</dt>
      <dd>
        <bdi>{{ docket.customer.name }}</bdi> <span class="text-body-secondary">{{ docket.customer.kind }}</span>
      </dd>
      <dt>Contact</dt>
      <dd>
        <bdi>{{ docket.contactPerson || 'not noted' }}</bdi>
      </dd>
      <template v-for="w in docket.customer.ways" :key="w.kind + w.value"
        ><dt>{{ w.kind === 'email' ? 'E-mail' : w.kind === 'post' ? 'Post' : 'Phone' }}</dt>
        <dd class="m">
          {{ w.value }}
          <span v-if="w.kind === docket.customer.preferred" class="text-body-secondary xs">preferred</span>
        </dd></template
      >
      <dt>Agreed</dt>
      <dd>{{ agreed.join('; ') }}</dd>
      <template v-if="docket.deadline"
        ><dt>Needed by</dt>
        <dd class="fw-semibold">{{ day(docket.deadline) }}</dd></template
      >
      <dt>Opens files on</dt>
      <dd>{{ systemName(docket.opensOn) }}</dd>
    </dl>
    <ConsentMore :docket="docket" @changed="emit('changed')" />
    <MergeCustomer :docket="docket" @changed="emit('changed')" />
    <div class="hd">
      <h2>Devices</h2>
      <span class="text-body-secondary">{{ docket.devices.length }}</span>
    </div>
    <DeviceTable :docket="docket" @changed="emit('changed')" />
    <div class="hd">
      <h2>Facts</h2>
      <span class="text-body-secondary">{{ docket.facts.length }}</span>
    </div>
    <table v-if="docket.facts.length" class="rows">
      <thead>
        <tr>
          <th>fact</th>
          <th>source</th>
          <th>by</th>
          <th>when</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="f in docket.facts" :key="`${f.code}=${f.value}${f.source}${f.device}`">
          <td>
            <span class="fact" :class="{ told: f.source === 'told' }" :title="`${f.code}=${f.value}`">{{
              sayFact(vocabulary, f.code, f.value)
            }}</span>
            <span v-if="f.device && which(f.device)" class="xs text-body-secondary">{{ which(f.device) }}</span>
          </td>
          <td>{{ f.source }}{{ f.measured ? ', measured' : '' }}</td>
          <td class="text-body-secondary">{{ f.who }}</td>
          <td class="text-body-secondary">{{ dayAndTime(f.at) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-else class="empty">No fact yet. Enter them under Edit intake.</p>
    <details v-if="corrected.data.value?.length">
      <summary class="s linkish">
        {{
          corrected.data.value.length === 1
            ? 'One fact was corrected'
            : `${corrected.data.value.length} facts were corrected`
        }}
      </summary>
      <p v-for="(c, i) in corrected.data.value" :key="i" class="xs text-body-secondary">
        <s :title="`${c.fact.code}=${c.fact.value}`">{{ sayFact(vocabulary, c.fact.code, c.fact.value) }}</s>
        {{ c.fact.source }} {{ dayAndTime(c.fact.at) }} by {{ c.fact.who
        }}<template v-if="c.withdrawnAt">, taken back {{ dayAndTime(c.withdrawnAt) }} by {{ c.withdrawnBy }}</template>
      </p>
    </details>
    <div class="hd"><h2>Wanted list</h2></div>
    <table v-if="wanted.length" class="rows">
      <thead>
        <tr>
          <th>words</th>
          <th>kinds</th>
          <th>pattern</th>
          <th>times</th>
          <th class="n">hoped for</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="w in wanted" :key="w.line.id">
          <td class="quote" dir="auto">“{{ w.line.words }}”</td>
          <td>{{ w.line.kinds.join(', ') || 'any' }}</td>
          <td class="m">{{ w.line.pattern || '–' }}</td>
          <td class="xs">{{ times(w) || '–' }}{{ w.line.yearAssumed ? ', year not said' : '' }}</td>
          <td class="n">{{ w.line.hopedFor || '–' }}</td>
          <td>
            {{ w.line.mustHave ? 'must have' : 'nice to have'
            }}{{ w.line.minBytes ? `, over ${size(w.line.minBytes)}` : '' }}
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="empty">Nothing on it. Ask the customer what they would miss most.</p>
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  gap: 12px;
  align-content: start;
}
.story {
  font-size: 15px;
  line-height: 22px;
  overflow-wrap: anywhere;
}
details p {
  padding: 3px 0;
}
</style>
