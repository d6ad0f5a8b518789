<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { setUpWords, tapeMarkMm, tubeAdvice, type SetUpBalance, type SetUpName } from '@binoculum/core'
import { computed } from 'vue'
import { sharedWords } from '../words.ts'

const t = sharedWords('alongTheTube')

/** The tube from the side with its lines of tape at the front ring, and where each set-up puts its line. */
const { kit, rows } = defineProps<{ kit: KitSheet; rows: readonly (SetUpBalance & { name: SetUpName })[] }>()
const tube = computed(() => kit.mount?.tube ?? null)
const marks = computed(() =>
  rows.flatMap(({ name, tubeShiftMm }) =>
    tubeShiftMm === null ? [] : [{ name, shiftMm: tubeShiftMm, mm: tapeMarkMm(tubeShiftMm) }],
  ),
)
const WIDTH = 400
const scale = computed(() => (WIDTH - 30) / (tube.value?.lengthMm ?? 600))
const at = (mm: number) => 15 + mm * scale.value
const height = computed(() => Math.min((tube.value?.diameterMm ?? 100) * scale.value, 110))
/** Lines nearer to each other than their words are wide stand in rows. */
const worded = computed(() =>
  [...marks.value].sort((a, b) => a.mm - b.mm).map((mark, index) => ({ ...mark, row: index })),
)
const signed = (mm: number) => (Math.abs(mm) < 0.5 ? '0' : `${mm > 0 ? '+' : '−'}${Math.round(Math.abs(mm))}`)
</script>

<template>
  <section>
    <h2>
      {{ t('alongTheTube') }} <em>{{ t('linesOfTapeAtThe') }}</em>
    </h2>
    <template v-if="tube && marks.length > 0">
      <svg :viewBox="`0 0 ${WIDTH} ${height + 66}`" class="w-full" role="img" :aria-label="t('theTubeFromTheSide')">
        <rect
          x="15"
          y="14"
          :width="tube.lengthMm * scale"
          :height="height"
          class="part fill-card stroke-ink stroke-1.35"
        />
        <rect x="9" y="11" width="10" :height="height + 6" class="fill-well stroke-ink stroke-1.1" />
        <rect
          :x="at(tube.lengthMm) - 4"
          y="11"
          width="10"
          :height="height + 6"
          class="fill-well stroke-ink stroke-1.1"
        />
        <rect
          :x="at(tube.frontRingMm) - 7"
          y="9"
          width="14"
          :height="height + 10"
          class="fill-well stroke-ink stroke-1.1"
        />
        <circle
          :cx="at(tube.frontRingMm + tube.eyepiece.alongMm)"
          :cy="14 + height / 2"
          r="14"
          class="part fill-card stroke-ink stroke-1.35"
        />
        <text
          :x="at(tube.lengthMm)"
          y="9"
          class="sky fill-quiet [font:italic_400_15px_var(--serif)] [text-anchor:end]"
        >
          {{ t('sky') }}
        </text>
        <g v-for="mark in worded" :key="mark.name">
          <line
            :x1="at(tube.frontRingMm + mark.mm)"
            :x2="at(tube.frontRingMm + mark.mm)"
            y1="14"
            :y2="14 + height + 6"
            :class="['tape', { usual: mark.name === 'usual' }]"
          />
        </g>
        <text
          v-for="(mark, index) in worded"
          :key="mark.name"
          :x="[20, WIDTH / 2, WIDTH - 20][index]"
          :y="height + 46"
          :class="['word', ['start', 'middle', 'end'][index], { usual: mark.name === 'usual' }]"
        >
          {{ setUpWords[mark.name].toLowerCase() }} {{ signed(mark.mm) }} mm
        </text>
      </svg>
      <p v-for="mark in marks.filter(({ name }) => name !== 'usual')" :key="mark.name" class="second">
        {{
          t('itsLineLies', {
            setUpWords: setUpWords[mark.name],
            shiftMm: tubeAdvice(mark.shiftMm).replace(/\.$/, ''),
            mm:
              Math.abs(mark.mm) < 0.5
                ? t('onTheUsualOne')
                : mark.mm > 0
                  ? t('towardsTheSky')
                  : t('towardsTheMirrorEnd'),
          })
        }}
      </p>
      <RouterLink :to="{ path: '/setup/labels', query: { kind: 'tapes', kits: kit.code } }">{{
        t('printTheTape')
      }}</RouterLink>
    </template>
    <p v-else class="quiet">
      {{ t('nobodyMeasuredThisModelsTube') }}
      <RouterLink :to="`/setup/models/${kit.modelId}/mount`">{{ t('measureIt') }}</RouterLink>
    </p>
  </section>
</template>

<style scoped>
.tape {
  stroke: var(--brass);
  stroke-width: 1.6;
}

.tape.usual {
  stroke-width: 3.4;
}

.word {
  fill: var(--ink);
  font: 400 14px var(--sans);
}

.word.usual {
  font-weight: 640;
}

.middle {
  text-anchor: middle;
}

.end {
  text-anchor: end;
}
</style>
