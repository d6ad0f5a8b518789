<script setup lang="ts">
import { useRoute } from 'vue-router'

const route = useRoute()
const places = [
  { path: '/setup/bring-in', words: 'Bring in a list' },
  { path: '/setup/models', words: 'Models' },
  { path: '/setup/drawer', words: 'Spares drawer' },
  { path: '/setup/labels', words: 'Labels and cards' },
  { path: '/setup/devices', words: 'Devices' },
  { path: '/setup/people', words: 'People' },
  { path: '/setup/agreement', words: 'Agreement' },
] as const
</script>

<template>
  <nav class="setup-tabs" aria-label="Set-up">
    <RouterLink
      v-for="place in places"
      :key="place.path"
      :to="place.path"
      :class="{ here: route.path.startsWith(place.path) }"
      >{{ place.words }}</RouterLink
    >
  </nav>
</template>

<style scoped>
.setup-tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  margin-bottom: 12px;
}

a {
  padding: 4px 0;
  font: italic 400 17px var(--serif);
  color: var(--quiet);
  text-decoration: none;
}

.here {
  border-bottom: 2px solid var(--night);
  color: var(--night);
}
</style>
