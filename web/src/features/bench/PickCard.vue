<script setup lang="ts">
defineProps<{ /** It is the one that is taken. */ on: boolean }>()
</script>

<!-- One of several that exclude each other: a radio button, a name and what it means. -->
<template>
  <label class="pick" :class="{ on }"><slot /></label>
</template>

<style scoped>
.pick {
  padding: 6px 10px;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: var(--sheet);
}
.pick.on {
  border-color: var(--verd);
  background: var(--verd-wash);
}
</style>
