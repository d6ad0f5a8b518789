<script setup lang="ts">
import type { CasePlace } from '@binoculum/contract'
import type { CaseSize } from '@binoculum/core'
import { computed } from 'vue'

/** One compartment as it was when the case was complete, beside how it is now. */
const { caseMm, place, name, before, now } = defineProps<{
  caseMm: CaseSize
  place: CasePlace
  name: string
  /** Pictures of the whole case from straight above. */
  before: string
  now: string
}>()
const emit = defineEmits<{ choose: [] }>()

/** A little of the foam beside it shows which one it is. */
const MARGIN_MM = 5
const view = computed(() => {
  const [xs, ys] = [place.outlineMm.map(({ x }) => x), place.outlineMm.map(({ y }) => y)]
  const [left, top] = [Math.min(...xs) - MARGIN_MM, Math.min(...ys) - MARGIN_MM]
  return `${left} ${top} ${Math.max(...xs) + MARGIN_MM - left} ${Math.max(...ys) + MARGIN_MM - top}`
})
const shown = computed(() => [
  { words: 'complete', picture: before },
  { words: 'now', picture: now },
])
</script>

<template>
  <figure>
    <figcaption>
      <ElButton link @click="emit('choose')">{{ name }}</ElButton>
    </figcaption>
    <div v-for="each in shown" :key="each.words">
      <svg :viewBox="view" role="img" :aria-label="`${name}, ${each.words}`">
        <image :href="each.picture" x="0" y="0" :width="caseMm.width" :height="caseMm.height" />
      </svg>
      <em>{{ each.words }}</em>
    </div>
  </figure>
</template>

<style scoped>
figure {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 8px;
  margin: 0;
}

figcaption {
  grid-column: 1 / -1;
}

svg {
  display: block;
  width: 100%;
  max-height: 110px;
  border: 1px solid var(--rule);
}

em {
  color: var(--quiet);
  font-size: 14px;
}
</style>
