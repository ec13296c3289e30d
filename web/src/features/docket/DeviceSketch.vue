<script setup lang="ts">
import { computed } from 'vue'

const props = defineProps<{ /** A medium type of the facts. */ type: string }>()
const shape = computed(() => {
  switch (props.type) {
    case 'usb-stick':
      return 'stick'
    case 'memory-card':
      return 'card'
    case 'phone':
    case 'tablet':
      return 'phone'
    case 'ssd':
    case 'nvme':
      return 'ssd'
    case 'optical':
      return 'disc'
    case 'hdd':
      return 'disk'
    default:
      return 'box'
  }
})
</script>

<template>
  <svg width="50" height="62" viewBox="0 0 50 62" fill="none" stroke="var(--ink)" stroke-width="1.5" aria-hidden="true">
    <template v-if="shape === 'disk'">
      <rect x="2" y="2" width="46" height="58" rx="2" />
      <circle cx="25" cy="22" r="15" />
      <circle cx="25" cy="22" r="4" />
      <path d="M41 48 30 31M41 48a4 4 0 1 1-5 3" />
      <path d="M7 55h16" stroke-dasharray="2 2" />
    </template>
    <template v-else-if="shape === 'stick'">
      <rect x="12" y="16" width="26" height="44" rx="3" />
      <path d="M16 16V3h18v13M21 8v3M29 8v3" />
      <path d="M19 52h12" />
    </template>
    <template v-else-if="shape === 'card'">
      <path d="M8 4h26l8 9v45H8z" />
      <path d="M14 10v8M20 10v8M26 10v8M32 12v6" />
      <path d="M14 44h22M14 50h14" />
    </template>
    <template v-else-if="shape === 'phone'">
      <rect x="10" y="2" width="30" height="58" rx="4" />
      <path d="M21 55h8M10 9h30M10 50h30" />
    </template>
    <template v-else-if="shape === 'ssd'">
      <rect x="4" y="8" width="42" height="46" rx="2" />
      <rect x="11" y="16" width="12" height="12" />
      <rect x="27" y="16" width="12" height="12" />
      <path d="M14 54v-6M20 54v-6M26 54v-6M32 54v-6" />
    </template>
    <template v-else-if="shape === 'disc'">
      <circle cx="25" cy="31" r="22" />
      <circle cx="25" cy="31" r="6" />
    </template>
    <template v-else>
      <rect x="4" y="6" width="42" height="50" rx="2" />
      <path d="M4 18h42M4 31h42M4 44h42M10 12h8M10 25h8M10 38h8M10 50h8" />
    </template>
  </svg>
</template>
