<script setup lang="ts">
import { BFormInput } from 'bootstrap-vue-next'
import { computed, useTemplateRef } from 'vue'
import type { CustomerForm, CustomerWay, KnownCustomer } from '@/api/types'
import { knownCustomer } from '@/features/cases'
import KnownCustomers from './KnownCustomers.vue'

defineProps<{
  /** The field that was refused, when it is one. */
  wrong?: string
  /** The case that is being edited. */
  editing?: string
}>()
const customer = defineModel<CustomerForm>({ required: true })
const contact = defineModel<string>('contact', { required: true })

const known = useTemplateRef<InstanceType<typeof KnownCustomers>>('known')

/** Enter takes who is known by that name; without one it goes on like everywhere. */
function takeFirst(event: KeyboardEvent): void {
  const first = known.value?.first()
  if (!first || event.ctrlKey || event.metaKey) return
  event.preventDefault()
  take(first)
}
defineExpose({
  /** Leads to the first field. */ focus: () => document.getElementById('customer')?.focus(),
})

const more = computed(() => customer.value.ways.map((w, i) => ({ w, i })).filter(({ w, i }) => i !== first(w.kind)))
const KINDS = { phone: 'Phone', email: 'E-mail', post: 'Post' } as const
const first = (kind: string) => (kind === 'post' ? -1 : customer.value.ways.findIndex((w) => w.kind === kind))
const value = (kind: string) => customer.value.ways[first(kind)]?.value ?? ''

function setWay(i: number, text: string): void {
  customer.value = {
    ...customer.value,
    ways: customer.value.ways.map((w, at) => (at === i ? { ...w, value: text } : w)),
  }
}
function add(kind: CustomerWay['kind']): void {
  customer.value = { ...customer.value, ways: [...customer.value.ways, { kind, value: '' }] }
}
function drop(i: number): void {
  customer.value = { ...customer.value, ways: customer.value.ways.filter((_, at) => at !== i) }
}
function take(known: KnownCustomer): void {
  const typed = customer.value.ways.filter(
    (w) => w.value.trim() && !known.customer.ways.some((k) => k.value.trim() === w.value.trim()),
  )
  const taken = knownCustomer(known.customer)
  customer.value = {
    ...taken,
    ways: [...taken.ways.filter((w) => w.value || !typed.some((t) => t.kind === w.kind)), ...typed],
  }
}
</script>

<template>
  <fieldset class="who-calls">
    <legend class="visually-hidden">Customer</legend>
    <div class="reach">
      <div>
        <label for="customer">Customer</label
        ><BFormInput
          id="customer"
          :model-value="customer.name"
          autocomplete="off"
          placeholder="person or organisation"
          :aria-invalid="wrong === 'customer.name'"
          aria-describedby="known-hint"
          @keydown.enter="takeFirst"
          @update:model-value="(v) => (customer = { ...customer, name: String(v) })"
        />
      </div>
      <div>
        <label for="contact">Who is calling</label><BFormInput id="contact" v-model="contact" autocomplete="off" />
      </div>
      <div>
        <label for="phone">Phone</label
        ><BFormInput
          id="phone"
          :model-value="value('phone')"
          autocomplete="off"
          class="m"
          @update:model-value="(v) => setWay(first('phone'), String(v))"
        />
      </div>
      <div>
        <label for="email">E-mail</label
        ><BFormInput
          id="email"
          :model-value="value('email')"
          autocomplete="off"
          :aria-invalid="wrong === 'customer.ways'"
          @update:model-value="(v) => setWay(first('email'), String(v))"
        />
      </div>
    </div>
    <div v-for="{ w, i } in more" :key="i" class="d-flex align-items-center gap-2 way">
      <label :for="`way-${i}`">{{ KINDS[w.kind as keyof typeof KINDS] }}</label>
      <BFormInput :id="`way-${i}`" :model-value="w.value" @update:model-value="(v) => setWay(i, String(v))" />
      <button type="button" class="btn btn-bare btn-sm" @click="drop(i)">Take away</button>
    </div>
    <p class="d-flex align-items-center gap-3 xs ways">
      <span role="group" aria-label="Kind of customer" class="d-flex align-items-center gap-1"
        ><button
          v-for="k in ['organisation', 'person']"
          :key="k"
          type="button"
          class="opt sm"
          :class="{ on: customer.kind === k }"
          :aria-pressed="customer.kind === k"
          @click="customer = { ...customer, kind: k }"
        >
          {{ k }}
        </button></span
      >
      <span role="group" aria-label="Preferred way" class="d-flex align-items-center gap-1"
        >reach by
        <button
          v-for="(name, k) in KINDS"
          :key="k"
          type="button"
          class="opt sm"
          :class="{ on: customer.preferred === k }"
          :aria-pressed="customer.preferred === k"
          @click="customer = { ...customer, preferred: k }"
        >
          {{ name.toLowerCase() }}
        </button></span
      >
      <span class="flex-fill" />
      <button type="button" class="linkish" @click="add('phone')">2nd phone</button
      ><button type="button" class="linkish" @click="add('post')">address</button>
    </p>
    <KnownCustomers
      ref="known"
      :customer="customer"
      :editing="editing"
      @take="take"
      @release="customer = { ...customer, id: undefined }"
    />
  </fieldset>
</template>

<style scoped>
.who-calls {
  border-bottom: 1px solid var(--line);
  padding: 6px 0;
}
.reach {
  display: grid;
  grid-template-columns: 1.2fr 0.95fr 0.95fr 1.25fr;
  gap: 6px;
}
label {
  font-size: 12px;
  line-height: 16px;
  color: var(--ink-2);
}
.way {
  margin-top: 5px;
}
.way label {
  width: 52px;
}
.way .form-control {
  flex: 1;
}
.ways {
  padding-top: 5px;
}
.opt.sm {
  height: 24px;
  padding: 0 7px;
  font-size: 12px;
}
@media (width <= 600px) {
  .reach {
    grid-template-columns: 1fr 1fr;
  }
  .ways {
    flex-wrap: wrap;
  }
}
</style>
