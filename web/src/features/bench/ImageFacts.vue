<script setup lang="ts">
import { computed } from 'vue'
import type { ImagingView } from '@/api/types'
import { dayAndTime, percent, shortHash } from '@/ui/format/format'

const props = defineProps<{ /** Whose image it is. */ session: ImagingView }>()
const emit = defineEmits<{ /** The image is to be held against its hashes again. */ recheck: [] }>()
const done = computed(() => props.session.state === 'done')
</script>

<template>
  <section aria-labelledby="h-image">
    <div class="hd">
      <h2 id="h-image">Image</h2>
      <span class="flex-fill" /><button
        v-if="done && !session.files"
        type="button"
        class="linkish s"
        @click="emit('recheck')"
      >
        Recheck
      </button>
      <RouterLink class="s link" :to="`/imaging/${session.id}/report`">Report</RouterLink>
    </div>
    <dl class="kv">
      <dt>File</dt>
      <dd class="m xs path">{{ session.image.split('/').slice(-2).join('/') || 'not begun' }}, its map beside it</dd>
      <dt v-if="session.goesOnFrom">Begun</dt>
      <dd v-if="session.goesOnFrom">
        in session
        <RouterLink class="link" :to="`/imaging/${session.goesOnFrom}/report`">{{ session.goesOnFrom }}</RouterLink>;
        this one went on from its map
      </dd>
      <dt>SHA-256</dt>
      <dd class="m xs path" :title="session.sha256">
        {{
          session.sha256 ??
          (session.files
            ? 'of each file, not of the copy as a whole'
            : session.pass === 'hashing'
              ? `${percent(session.hashedBytes, session.size)} hashed`
              : 'made while it is read')
        }}
      </dd>
      <dt v-if="session.recheck">Recheck</dt>
      <dd v-if="session.recheck" role="status">{{ session.recheck }}</dd>
      <dt>Started</dt>
      <dd>{{ dayAndTime(session.startedAt) }} by {{ session.who }}</dd>
      <dt v-if="session.endedAt">Ended</dt>
      <dd v-if="session.endedAt">
        {{ dayAndTime(session.endedAt) }}{{ session.sha256 ? `, ${shortHash(session.sha256)}` : '' }}
      </dd>
    </dl>
  </section>
</template>

<style scoped>
.path {
  overflow-wrap: anywhere;
}
</style>
