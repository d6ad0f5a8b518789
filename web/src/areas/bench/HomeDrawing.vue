<script setup lang="ts">
import type { HomePosition } from '@binoculum/core'
import { computed } from 'vue'
import { benchWords } from './words.ts'

const t = benchWords('homeDrawing')

/** The model's home position, from the east side; the pole to the right. */
const { drawing, latitudeDeg } = defineProps<{ drawing: HomePosition['drawing']; latitudeDeg: number }>()
const tilt = computed(() => -Math.abs(latitudeDeg))
</script>

<template>
  <svg viewBox="0 0 150 150" role="img" :aria-label="t('homePosition')">
    <line x1="6" x2="144" y1="144" y2="144" class="stroke-rule-strong" />
    <path d="M75 92L44 143M75 92L106 143M75 92V140" class="fill-none stroke-quiet stroke-3" />
    <template v-if="drawing === 'fork'">
      <rect x="55" y="84" width="40" height="10" rx="2" class="part fill-card stroke-ink stroke-1.35" />
      <path d="M66 84V46a9 9 0 0 1 18 0V84Z" class="part fill-card stroke-ink stroke-1.35" />
      <rect x="34" y="36" width="82" height="26" rx="2" class="tube fill-night stroke-deep" />
      <circle cx="75" cy="49" r="6" class="part fill-card stroke-ink stroke-1.35" />
      <path d="M122 49h20M135 43l7 6l-7 6" class="way fill-none stroke-brass stroke-1.4" />
    </template>
    <g v-else>
      <rect x="63" y="82" width="24" height="13" class="part fill-card stroke-ink stroke-1.35" />
      <g :transform="`rotate(${tilt} 75 78)`">
        <line
          x1="34"
          y1="78"
          x2="142"
          y2="78"
          class="fill-none stroke-brass stroke-1.4 [stroke-dasharray:9_3_1.5_3]"
        />
        <rect x="48" y="69" width="44" height="18" rx="2" class="part fill-card stroke-ink stroke-1.35" />
        <rect x="84" y="58" width="12" height="40" class="part fill-card stroke-ink stroke-1.35" />
        <rect x="87" y="98" width="6" height="30" class="part fill-card stroke-ink stroke-1.35" />
        <rect x="80" y="112" width="20" height="13" rx="2" class="part fill-card stroke-ink stroke-1.35" />
        <rect x="44" y="34" width="92" height="24" rx="2" class="tube fill-night stroke-deep" />
        <template v-if="drawing === 'marks'">
          <path d="M70 64v5M70 87v5M103 78h-6M111 78h-6" class="mark fill-none stroke-brass stroke-3" />
        </template>
      </g>
    </g>
  </svg>
</template>
