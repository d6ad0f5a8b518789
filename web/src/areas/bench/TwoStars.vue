<script setup lang="ts">
import type { AlignmentStar, AlignmentStars } from '@binoculum/core'
import { computed } from 'vue'
import StarHorizon from '../../shared/drawings/StarHorizon.vue'

/** The pair to line up on, with what to take when one of them is hidden. */
const { stars, pair, apartDeg, latitudeDeg, hidden } = defineProps<{
  stars: AlignmentStars | null
  pair: readonly AlignmentStar[]
  apartDeg: number | null
  latitudeDeg: number
  hidden: readonly string[]
}>()
defineEmits<{ hide: [name: string] }>()
const standIns = computed(() =>
  (stars?.standIns ?? []).map(({ hidden: name, star }) => `${star.name} for ${name}`).join(', '),
)
</script>

<template>
  <section>
    <h2>Two stars <em>25 to 70° high, well apart; the brightest in that part of the sky is the one</em></h2>
    <p v-if="stars?.reason === 'SUN_UP'">Too light: no lining up before the Sun is 6° down. Choose a later hour.</p>
    <p v-else-if="stars?.reason === 'TOO_FEW'">
      No good pair stands in the sky at that hour. Choose another one, or line up on what is bright and high.
    </p>
    <template v-else-if="stars">
      <StarHorizon :pair="pair" :others="stars.others" :apart-deg="apartDeg" :latitude-deg="latitudeDeg" />
      <p>
        <strong>One hidden?</strong> Take {{ standIns || 'another hour' }}.
        <span class="quiet">Quick way: {{ stars.stars[0]?.name }} alone.</span>
        <ElButton
          v-for="{ name } in stars.stars"
          :key="name"
          link
          class="ml-12px"
          :aria-pressed="hidden.includes(name)"
          @click="$emit('hide', name)"
        >
          {{ hidden.includes(name) ? `${name} is there again` : `${name} is hidden` }}
        </ElButton>
      </p>
    </template>
  </section>
</template>
