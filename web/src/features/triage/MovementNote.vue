<script setup lang="ts">
import { computed } from 'vue'
import type { Movement, Vocabulary } from '@/api/types'
import { words } from '@/ui/format/format'
import { stopWords } from './stops'

const props = defineProps<{
  /** What led before, what leads now, and why. */
  movement: Movement
  /** Names of the paths. */
  vocabulary: Vocabulary | undefined
}>()
const label = (code: string | undefined) =>
  props.vocabulary?.paths.find((p) => p.code === code)?.label ?? words(code ?? 'nothing')
const lead = computed(() => props.movement.ledBefore !== props.movement.leadsNow)
const net = (n: number) => (n > 0 ? `+${n}` : n < 0 ? `−${-n}` : '0')
</script>

<template>
  <div>
    <p v-if="lead" class="s">
      <b>{{ label(movement.leadsNow) }}</b> leads now instead of {{ label(movement.ledBefore).toLowerCase() }}.
    </p>
    <p v-if="movement.newStops.length" class="s c-stop fw-semibold">
      New: {{ movement.newStops.map(stopWords).join('; ') }}
    </p>
    <p v-if="movement.goneStops.length" class="s text-body-secondary">
      No longer: {{ movement.goneStops.map(stopWords).join('; ') }}
    </p>
    <ul class="xs moves">
      <li v-for="m in movement.moves.slice(0, 5)" :key="m.path">
        <span class="nm">{{ m.label }}</span><span class="m">{{ net(m.before) }} → {{ net(m.after) }}</span
        ><span class="text-body-secondary"
          ><template v-if="m.barredBefore !== m.barredNow"
            >{{ m.barredNow ? 'barred now' : 'no longer barred' }}; </template
          >{{ [...m.came, ...m.went.map((w) => `gone: ${w}`)].slice(0, 2).join(' ') }}</span
        >
      </li>
    </ul>
  </div>
</template>

<style scoped>
.moves li {
  display: grid;
  grid-template-columns: 120px 78px 1fr;
  gap: 8px;
  padding: 2px 0;
}
</style>
