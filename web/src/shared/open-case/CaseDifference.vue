<script setup lang="ts">
import type { CasePlace } from '@binoculum/contract'
import type { CaseSize } from '@binoculum/core'
import { computed } from 'vue'
import { sharedWords } from '../words.ts'

const t = sharedWords('caseDifference')

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
  { words: t('complete'), picture: before },
  { words: t('now'), picture: now },
])
</script>

<template>
  <figure class="grid grid-cols-[1fr_1fr] gap-y-2px gap-x-8px m-0">
    <figcaption class="col-span-full">
      <ElButton link @click="emit('choose')">{{ name }}</ElButton>
    </figcaption>
    <div v-for="each in shown" :key="each.words">
      <svg
        class="block w-full max-h-110px line-rule"
        :viewBox="view"
        role="img"
        :aria-label="`${name}, ${each.words}`"
      >
        <image :href="each.picture" x="0" y="0" :width="caseMm.width" :height="caseMm.height" />
      </svg>
      <em class="text-quiet text-14px">{{ each.words }}</em>
    </div>
  </figure>
</template>
