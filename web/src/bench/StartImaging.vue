<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useAction } from '@/api/action'
import { api } from '@/api/client'
import type { CaseBench, Docket } from '@/api/types'
import { dayAndTime, size } from '@/format/format'
import RefusedNote from '@/shell/RefusedNote.vue'
import { PROFILES, profileFor } from './profiles'

const props = defineProps<{ docket: Docket; attachment: NonNullable<CaseBench['attachment']> }>()
const emit = defineEmits<{ started: []; /** Another medium is wanted. */ other: [] }>()

const profile = ref(profileFor(props.docket.path))
const starting = useAction()

async function start(): Promise<void> {
  if (await starting.run(() => api.post(`/api/cases/${props.docket.number}/imaging`, { profile: profile.value }))) emit('started')
}
</script>

<template>
  <section class="stack" aria-labelledby="h-start">
    <div class="hd"><h2 id="h-start">Read it into an image</h2>
      <span class="mu">attached {{ dayAndTime(attachment.at) }} by {{ attachment.who }}, identity {{ attachment.matched ? 'equal' : 'differs' }}</span><span class="sp" />
      <button type="button" class="btn btn-quiet btn-sm" @click="emit('other')">Attach another medium</button></div>
    <p class="m s">{{ attachment.medium }} · {{ attachment.identity.serial || 'no serial' }} · {{ size(attachment.identity.size) }}</p>
    <p v-if="attachment.decision" class="warnbox">Attached although its identity differs: {{ attachment.decision }}</p>
    <fieldset class="profiles">
      <legend class="b s">Care profile</legend>
      <label v-for="p in PROFILES" :key="p.code" class="profile" :class="{ on: p.code === profile }">
        <input v-model="profile" type="radio" name="profile" class="form-check-input" :value="p.code" /> <b>{{ p.label }}</b> <span class="mu s">{{ p.words }}</span>
      </label>
    </fieldset>
    <RefusedNote :refused="starting.refused.value" />
    <p><BButton variant="primary" :disabled="starting.busy.value" @click="start">Start imaging</BButton></p>
  </section>
</template>

<style scoped>
.stack { display: grid; gap: 10px; align-content: start; }
.profiles { display: grid; gap: 4px; }
.profile { padding: 6px 10px; border: 1px solid var(--line); border-radius: 3px; background: var(--sheet); }
.profile.on { border-color: var(--verd); background: var(--verd-wash); }
</style>
