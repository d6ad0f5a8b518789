<script setup lang="ts">
const places = [
  { path: '/desk', words: 'Out and back' },
  { path: '/desk/follow-up', words: 'Follow-up' },
  { path: '/desk/letters', words: 'Letters' },
] as const
</script>

<template>
  <nav class="desk-tabs" aria-label="Desk">
    <RouterLink v-for="place in places" :key="place.path" :to="place.path">{{ place.words }}</RouterLink>
  </nav>
</template>

<style scoped>
.desk-tabs {
  display: flex;
  gap: 22px;
  margin-bottom: 12px;
}

a {
  padding: 4px 0;
  font: italic 400 17px var(--serif);
  color: var(--quiet);
  text-decoration: none;
}

.router-link-exact-active {
  border-bottom: 2px solid var(--night);
  color: var(--night);
}
</style>
