<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { massText, type SetUpBalance } from '@binoculum/core'
import { computed } from 'vue'
import FigureInput from '../../shared/controls/FigureInput.vue'
import { benchWords } from './words.ts'

const t = benchWords('rollDrawing')

/** The tube from behind: which way it wants to turn in its rings, and the magnet opposite. */
const { kit, report } = defineProps<{ kit: KitSheet; report: SetUpBalance | null }>()
const magnetsG = defineModel<number>({ required: true })
const tube = computed(() => kit.mount?.tube ?? null)
const roll = computed(() => report?.roll ?? null)
const R = 44
const CX = 92
const CY = 92
const scale = computed(() => R / ((tube.value?.diameterMm ?? 100) / 2))
/** Seen from behind with the head to the right: away from it is to the left. */
const onScreen = (angleDeg: number) => 180 + angleDeg
const MAGNET_G = 200
const magnets = computed(() => Math.round((roll.value?.counterMassG ?? 0) / MAGNET_G))
</script>

<template>
  <section>
    <h2>
      {{ t('roll') }} <em>{{ t('fromBehind') }}</em>
    </h2>
    <div
      v-if="tube && roll && roll.counterMassG !== null"
      class="grid grid-cols-[repeat(auto-fit,minmax(140px,1fr))] gap-12px w-full"
    >
      <svg class="w-full max-w-170px" viewBox="0 0 184 184" role="img" :aria-label="t('theTubeFromBehind')">
        <g
          v-for="(place, name) in { finder: tube.finder, eyepiece: tube.eyepiece }"
          :key="name"
          :transform="`rotate(${onScreen(place.angleDeg)} ${CX} ${CY})`"
        >
          <rect
            :x="CX + R - 2"
            :y="CY - (name === 'finder' ? 4 : 9)"
            :width="Math.max(place.radiusMm * scale - R + (name === 'finder' ? 0 : 8), 8)"
            :height="name === 'finder' ? 8 : 18"
            class="part fill-card stroke-ink stroke-1.35"
          />
          <circle
            v-if="name === 'finder'"
            :cx="CX + place.radiusMm * scale + 4"
            :cy="CY"
            r="8"
            class="part fill-card stroke-ink stroke-1.35"
          />
        </g>
        <circle :cx="CX" :cy="CY" :r="R" class="part fill-card stroke-ink stroke-1.35" />
        <line
          :x1="CX"
          :y1="CY"
          :x2="CX + R * Math.cos((onScreen(roll.counterAngleDeg) * Math.PI) / 180)"
          :y2="CY + R * Math.sin((onScreen(roll.counterAngleDeg) * Math.PI) / 180)"
          class="line stroke-brass [stroke-dasharray:4_4]"
        />
        <g :transform="`rotate(${onScreen(roll.counterAngleDeg)} ${CX} ${CY})`">
          <rect
            :x="CX + R - 2"
            :y="CY - 12"
            width="10"
            height="24"
            rx="2"
            class="magnet fill-none stroke-brass [stroke-dasharray:4_3]"
            :class="{ on: magnetsG > 0 }"
          />
        </g>
        <circle :cx="CX" :cy="CY" r="3" class="fill-brass" />
      </svg>
      <div class="grid gap-8px content-start">
        <p>
          {{ t('turnsTowardsTheFocuser') }}
          <strong>{{ t('oppositeAtTheSkin', { counterMassG: massText(roll.counterMassG) }) }}</strong>{{
            t('stopItOfGWhere', {
              magnets: magnets <= 1 ? t('oneMagnet') : t('magnetsMagnets', { magnets }),
              magnetG: MAGNET_G,
            })
          }}
        </p>
        <label class="labelled"
          ><span>{{ t('magnetsOnG') }}</span
          ><FigureInput
            :label="t('magnetsOnG')"
            unit="g"
            name="magnets-g"
            :model-value="magnetsG"
            @update:model-value="magnetsG = Math.max(0, $event ?? 0)"
        /></label>
        <p v-if="magnetsG > 0 && report?.wantedMm !== null && report?.wantedMm !== undefined" class="second">
          {{ t('theWeightThenBelongsAt', { wantedMm: Math.round(report.wantedMm) }) }}
        </p>
      </div>
    </div>
    <p v-else class="quiet">{{ t('knownOnceTheTubeIs') }}</p>
  </section>
</template>

<style scoped>
.magnet.on {
  fill: var(--night);
  stroke: var(--deep);
  stroke-dasharray: none;
}
</style>
