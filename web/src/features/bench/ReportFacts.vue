<script setup lang="ts">
import { computed } from 'vue'
import type { SessionReport } from '@/api/types'
import { dateAndTime, duration } from '@/ui/format/format'

const props = defineProps<{ /** Of one session. */ report: SessionReport }>()
const s = computed(() => props.report.session)
</script>

<template>
  <section>
    <div class="hd"><h2>What was read</h2></div>
    <dl class="kv">
      <dt>Device</dt>
      <dd>
        {{
          `${report.attachment.identity.make} ${report.attachment.identity.model}`.trim() || report.attachment.medium
        }}, <span class="m">{{ report.attachment.identity.serial || 'no serial' }}</span>
      </dd>
      <dt>Identity</dt>
      <dd>
        {{ report.attachment.matched ? 'equal to the case' : `differs; ${report.attachment.decision}` }}
      </dd>
      <dt>Write block</dt>
      <dd>
        {{ report.attachment.writeBlock ? `by decision: ${report.attachment.writeBlock}` : 'opened read-only' }}
      </dd>
      <dt>Started</dt>
      <dd>{{ dateAndTime(s.startedAt) }} by {{ s.who }}</dd>
      <dt>Ended</dt>
      <dd>{{ s.endedAt ? dateAndTime(s.endedAt) : 'not yet' }}; {{ duration(s.runningMillis / 1000) }} of reading</dd>
      <template v-if="s.files"
        ><dt>Files only</dt>
        <dd>{{ s.files.reason }}</dd></template
      >
      <dt>Image</dt>
      <dd class="m xs wrap">{{ s.image }}</dd>
      <template v-if="s.recheck"
        ><dt>Recheck</dt>
        <dd>{{ s.recheck }}</dd></template
      >
      <dt>SHA-256</dt>
      <dd class="m xs wrap">
        {{ s.sha256 ?? (s.files ? 'of each file, not of the copy as a whole' : 'not yet')
        }}{{ report.chunks ? `; ${report.chunks} chunk hashes beside it` : '' }}
      </dd>
    </dl>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 6px;
  min-width: 0;
}
.wrap {
  overflow-wrap: anywhere;
}
</style>
