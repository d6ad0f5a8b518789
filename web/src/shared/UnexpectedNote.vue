<script setup lang="ts">
import { useUnexpected } from './unexpected.ts'

/** Over every room: something didn't work, what is safe, and what to do. */
const { unexpected, dismiss } = useUnexpected()
const reload = () => window.location.reload()
</script>

<template>
  <ElAlert v-if="unexpected" class="unexpected screen-only" type="error" :closable="false" role="alert">
    <template #title>{{ unexpected.sentence }}</template>
    <p>{{ unexpected.todo }}</p>
    <p class="second">For whoever helps: {{ unexpected.detail }}</p>
    <ElButton type="primary" @click="reload">Load the page again</ElButton>
    <ElButton @click="dismiss">Go on</ElButton>
  </ElAlert>
</template>

<style scoped>
.unexpected {
  position: fixed;
  right: 16px;
  bottom: 16px;
  z-index: 3000;
  width: min(460px, calc(100vw - 32px));
  border: 1px solid var(--rust);
  background: var(--card);
  color: var(--ink);
}

p {
  margin-bottom: 10px;
  overflow-wrap: anywhere;
}
</style>
