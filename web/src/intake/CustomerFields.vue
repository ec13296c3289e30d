<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import type { CaseForm } from '@/api/types'

defineProps<{ /** The field that was refused, when it is one. */ wrong?: string }>()
const customer = defineModel<CaseForm['customer']>({ required: true })
</script>

<template>
  <fieldset class="reach">
    <legend class="visually-hidden">Customer</legend>
    <div><label for="customer">Customer</label><BFormInput id="customer" v-model="customer.name" autocomplete="off" placeholder="person or organisation" :aria-invalid="wrong === 'customer.name'" /></div>
    <div><label for="contact">Who is calling</label><BFormInput id="contact" v-model="customer.contactPerson" autocomplete="off" /></div>
    <div><label for="phone">Phone</label><BFormInput id="phone" v-model="customer.phone" autocomplete="off" class="m" /></div>
    <div><label for="email">E-mail</label><BFormInput id="email" v-model="customer.email" autocomplete="off" :aria-invalid="wrong === 'customer.email'" /></div>
  </fieldset>
</template>

<style scoped>
.reach { display: grid; grid-template-columns: 1.2fr 0.95fr 0.95fr 1.25fr; gap: 6px; }
.reach label { font-size: 12px; line-height: 16px; color: var(--ink-2); }
@media (max-width: 600px) { .reach { grid-template-columns: 1fr 1fr; } }
</style>
