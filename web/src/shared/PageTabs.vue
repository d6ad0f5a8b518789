<script setup lang="ts">
import { useRoute } from 'vue-router'

/** Pages of one area, the open one underlined. The longest path that fits is the one that is open. */
const { places, label } = defineProps<{
  places: readonly { readonly path: string; readonly words: string }[]
  label: string
}>()
const route = useRoute()
const isHere = (path: string) => {
  const fitting = places.filter((place) => route.path.startsWith(place.path)).map((place) => place.path)
  return fitting.sort((one, other) => other.length - one.length)[0] === path
}
</script>

<template>
  <nav class="flex flex-wrap gap-y-4px gap-x-22px mb-12px" :aria-label="label">
    <RouterLink
      v-for="place in places"
      :key="place.path"
      :to="place.path"
      :class="{ here: isHere(place.path) }"
      :aria-current="isHere(place.path) ? 'page' : undefined"
      >{{ place.words }}</RouterLink
    >
  </nav>
</template>

<style scoped>
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
