<script setup lang="ts">
import type { CasePlace } from '@binoculum/contract'
import type { CaseSize, CompartmentVerdict } from '@binoculum/core'
import { computed } from 'vue'
import { sharedWords } from '../words.ts'

const t = sharedWords('casePlaces')

/** The open case from straight above with its compartments drawn in: which is which, or which of them differ. */
const {
  caseMm,
  places,
  picture = null,
  labels,
  names,
  verdicts = {},
  chosenId = null,
} = defineProps<{
  caseMm: CaseSize
  places: readonly CasePlace[]
  /** The straightened picture; without one the plan stands alone. */
  picture?: string | null
  /** What stands in a compartment, by its id. */
  labels: Readonly<Record<string, string>>
  /** What lies in it, for whoever listens. */
  names: Readonly<Record<string, string>>
  verdicts?: Readonly<Record<string, CompartmentVerdict>>
  chosenId?: string | null
}>()
const emit = defineEmits<{ choose: [id: string] }>()

const shown = computed(() =>
  places.map((place) => {
    const [xs, ys] = [place.outlineMm.map(({ x }) => x), place.outlineMm.map(({ y }) => y)]
    return {
      ...place,
      points: place.outlineMm.map(({ x, y }) => `${x},${y}`).join(' '),
      at: { x: Math.min(...xs) + 3, y: Math.min(...ys) + 13 },
      verdict: verdicts[place.id] ?? null,
    }
  }),
)
const verdictWords: Record<CompartmentVerdict, string> = {
  same: t('same'),
  different: t('different'),
  'can’t-tell': t('cantTell'),
}
/** Names of its own for what CSS says of them. */
const looks: Record<CompartmentVerdict, string> = { same: 'same', different: 'different', 'can’t-tell': 'unsure' }
</script>

<template>
  <svg
    class="block w-full [touch-action:none] line-rule"
    :viewBox="`0 0 ${caseMm.width} ${caseMm.height}`"
    role="group"
    :aria-label="t('theOpenCaseFromAbove')"
  >
    <image v-if="picture" :href="picture" x="0" y="0" :width="caseMm.width" :height="caseMm.height" />
    <rect v-else x="0" y="0" :width="caseMm.width" :height="caseMm.height" class="fill-card" />
    <g
      v-for="place in shown"
      :key="place.id"
      :class="['place', place.verdict && looks[place.verdict], { chosen: place.id === chosenId }]"
      role="button"
      tabindex="0"
      :aria-label="`${names[place.id]}${place.verdict ? `: ${verdictWords[place.verdict]}` : ''}`"
      @click="emit('choose', place.id)"
      @keydown.enter.prevent="emit('choose', place.id)"
      @keydown.space.prevent="emit('choose', place.id)"
    >
      <polygon
        :points="place.points"
        class="halo fill-transparent [vector-effect:non-scaling-stroke] [stroke:rgb(20_22_26_/_75%)] stroke-4"
      />
      <polygon
        :points="place.points"
        class="edge fill-transparent stroke-2 [vector-effect:non-scaling-stroke] [stroke:#f3ead6]"
      />
      <text
        class="[font:600_11px_var(--sans)] [paint-order:stroke] [fill:#f3ead6] [stroke:rgb(20_22_26_/_80%)] [stroke-width:3px] pointer-events-none"
        :x="place.at.x"
        :y="place.at.y"
      >
        {{ labels[place.id] }}
      </text>
    </g>
    <slot />
  </svg>
</template>

<style scoped>
.place {
  cursor: pointer;
}

/* Seen on dark foam and on a white box alike. */

.same .edge {
  stroke-width: 1;
}

.different .edge {
  stroke: #ff9a6b;
  stroke-width: 4;
}

.different .halo {
  stroke-width: 7;
}

.unsure .edge {
  stroke-dasharray: 5 5;
}

.chosen .edge,
.place:focus-visible .edge {
  stroke: #ffd27a;
  stroke-width: 4;
}

.place:focus {
  outline: none;
}
</style>
