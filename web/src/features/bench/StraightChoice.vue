<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import PickCard from './PickCard.vue'

/** Its files alone are copied. */
const files = defineModel<boolean>('files', { required: true })
/** Why no image of all of it is made. */
const reason = defineModel<string>('reason', { required: true })
</script>

<template>
  <fieldset class="choice">
    <legend class="fw-semibold s">How much of it</legend>
    <PickCard :on="files">
      <input v-model="files" type="radio" name="much" class="form-check-input" :value="true" />
      <b>Its files, straight</b>
      <span class="text-body-secondary s"
        >Reads its records and the files they list, file by file, then checks each. Stops at the first sign of damage;
        what was read counts for an image then.</span
      >
    </PickCard>
    <PickCard :on="!files">
      <input v-model="files" type="radio" name="much" class="form-check-input" :value="false" />
      <b>All of it, into an image</b>
      <span class="text-body-secondary s">Every sector, so that a scan can look beyond what its records list.</span>
    </PickCard>
    <template v-if="files">
      <label for="why-files" class="s">Why no image of all is made</label>
      <BFormInput
        id="why-files"
        v-model="reason"
        size="sm"
        maxlength="500"
        placeholder="sound disk of a dead machine; only its files are asked for"
      />
    </template>
  </fieldset>
</template>

<style scoped>
.choice {
  display: grid;
  gap: 4px;
}
.choice b {
  margin: 0 6px 0 4px;
}
.choice label[for] {
  margin-top: 4px;
}
</style>
