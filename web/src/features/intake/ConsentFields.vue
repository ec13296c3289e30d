<script setup lang="ts">
import { BFormCheckbox, BFormInput } from 'bootstrap-vue-next'
import type { CaseForm } from '@/api/types'
import { KNOWN_SYSTEMS } from '@/features/cases'

defineProps<{ /** The field that was refused, when it is one. */ wrong?: string }>()
const consent = defineModel<CaseForm['consent']>({ required: true })
const deadline = defineModel<string | undefined>('deadline', { required: true })
const opensOn = defineModel<CaseForm['opensOn']>('opensOn')
const LOOK = [
  ['names', 'names only'],
  ['previews', 'previews'],
  ['contents', 'contents'],
] as const
</script>

<template>
  <fieldset class="consent">
    <legend class="visually-hidden">Deadline and consent</legend>
    <div class="line">
      <label for="deadline">Needed by</label
      ><BFormInput
        id="deadline"
        type="date"
        :model-value="deadline ?? ''"
        :aria-invalid="wrong === 'deadline'"
        @update:model-value="(v) => (deadline = String(v) || undefined)"
      />
      <span role="group" aria-label="The lab may look at" class="d-flex align-items-center gap-1 s"
        >may look at
        <button
          v-for="[code, name] in LOOK"
          :key="code"
          type="button"
          class="opt"
          :class="{ on: consent.look === code }"
          :aria-pressed="consent.look === code"
          @click="consent = { ...consent, look: consent.look === code ? '' : code }"
        >
          {{ name }}
        </button></span
      >
      <span role="group" aria-label="Files will be opened on" class="d-flex align-items-center gap-1 s"
        >opens files on
        <button
          v-for="[code, name] in KNOWN_SYSTEMS"
          :key="code"
          type="button"
          class="opt"
          :class="{ on: opensOn === code }"
          :aria-pressed="opensOn === code"
          @click="opensOn = opensOn === code ? undefined : code"
        >
          {{ name }}
        </button></span
      >
    </div>
    <div class="line">
      <label for="told">May be told</label
      ><BFormInput
        id="told"
        :model-value="consent.told"
        placeholder="nobody else"
        @update:model-value="(v) => (consent = { ...consent, told: String(v) })"
      />
      <BFormCheckbox
        :model-value="consent.mail"
        @update:model-value="(v) => (consent = { ...consent, mail: v === true })"
        >e-mail is welcome</BFormCheckbox
      >
      <BFormCheckbox
        :model-value="consent.termsRead"
        @update:model-value="(v) => (consent = { ...consent, termsRead: v === true })"
        >terms read out</BFormCheckbox
      >
    </div>
  </fieldset>
</template>

<style scoped>
.consent {
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
  display: grid;
  gap: 5px;
}
.line {
  display: flex;
  align-items: center;
  gap: 8px;
  flex-wrap: wrap;
  padding-left: 8px;
}
label[for='deadline'],
label[for='told'] {
  font-weight: 650;
  font-size: 13px;
  width: 96px;
}
#deadline {
  width: 140px;
}
#told {
  width: 140px;
}
.line :deep(.form-check) {
  margin: 0;
  min-height: 0;
  font-size: 13px;
}
</style>
