<script setup lang="ts">
defineEmits<{ /** What was entered is to be sent. */ enter: [] }>()
</script>

<template>
  <main class="door">
    <form class="sheet" @submit.prevent="$emit('enter')">
      <slot name="head" />
      <div class="fields"><slot /></div>
    </form>
  </main>
</template>

<style scoped>
.door {
  min-height: 100vh;
  display: grid;
  place-items: center;
}
form {
  width: min(400px, 92vw);
  padding: 24px 26px 26px;
}
.fields {
  margin-top: 14px;
}
</style>
