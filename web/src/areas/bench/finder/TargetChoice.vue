<script setup lang="ts">
import type { Site } from '@binoculum/contract'
import type { DayMoon, NightTarget } from '@binoculum/core'
import { computed, ref } from 'vue'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import { hourText } from '../../../shared/dates.ts'
import type { FinderTarget } from './finder-draft.ts'
import { landmarkTarget, moonTarget, sheetTarget, starTarget, type JudgedLandmark } from './use-finder.ts'
import { benchWords } from '../words.ts'

const t = benchWords('targetChoice')

/** What to line it up on, here and now: what may be used first, what may not with its reason. */
const { site, sites, landmarks, star, moon, nearestM, target, offsetKnown } = defineProps<{
  site: Site | null
  sites: readonly Site[]
  landmarks: readonly JudgedLandmark[]
  star: {
    readonly target: NightTarget | null
    readonly others: readonly NightTarget[]
    readonly reason: string | null
  } | null
  moon: DayMoon | null
  nearestM: number | null
  target: FinderTarget | null
  offsetKnown: boolean
}>()
const emit = defineEmits<{ choose: [target: FinderTarget]; site: [id: string] }>()
const sheetM = ref<number | null>(null)
const inOrder = computed(() => [...landmarks].sort((a, b) => Number(a.barred !== null) - Number(b.barred !== null)))
const far = (m: number) => (m >= 1000 ? `${(m / 1000).toFixed(1)} km` : `${Math.round(m)} m`)
const stars = computed(() => (star?.target ? [star.target, ...star.others] : []))
const moonWords: Readonly<Record<NonNullable<DayMoon['reason']>, string>> = {
  BELOW: t('notUp'),
  NEAR_SUN: t('nearerToTheSunThan'),
  TOO_THIN: t('tooThinToFind'),
}
const sheetProblem = computed(() => {
  if (sheetM.value === null) return null
  if (!(sheetM.value > 0)) return t('typeHowFarAwayIt')
  return nearestM !== null && sheetM.value < nearestM
    ? t('itComesSharpFromM', { nearestM: nearestM.toFixed(1) })
    : null
})
</script>

<template>
  <div class="targets grid gap-4px">
    <label v-if="sites.length > 1" class="where flex flex-wrap gap-8px items-center"
      >{{ t('at') }}
      <ChoiceSelect
        class="w-220px"
        :model-value="site?.id ?? null"
        :options="sites.map(({ id, name }) => ({ value: id, words: name }))"
        :label="t('whereThisIs')"
        @update:model-value="$event && emit('site', $event)"
    /></label>
    <p v-if="!site" class="second">
      {{ t('noPlaceIsWrittenDown') }}
    </p>
    <button
      v-for="{ landmark, barred, until } in inOrder"
      :key="landmark.id"
      type="button"
      :class="['target', { on: target?.landmarkId === landmark.id }]"
      :disabled="barred !== null"
      :aria-pressed="target?.landmarkId === landmark.id"
      @click="emit('choose', landmarkTarget(landmark))"
    >
      <span class="name overflow-hidden fw-640 text-ellipsis whitespace-nowrap">{{ landmark.name }}</span>
      <span class="second">
        {{ far(landmark.distanceM) }}<template v-if="landmark.what">, {{ landmark.what }}</template>
        <template v-if="barred"
          >: <b>{{ barred }}</b>{{
            until && site ? t('untilUntil', { until: hourText(until, site.zone) }) : ''
          }}</template
        >
        <template v-else-if="until && site">{{ t('untilUntil', { until: hourText(until, site.zone) }) }}</template>
      </span>
    </button>
    <button
      v-for="each in stars"
      :key="each.name"
      type="button"
      :class="['target', { on: target?.kind === 'star' && target.name === each.name }]"
      :aria-pressed="target?.kind === 'star' && target.name === each.name"
      @click="emit('choose', starTarget(each.name))"
    >
      <span class="name overflow-hidden fw-640 text-ellipsis whitespace-nowrap">{{ each.name }}</span>
      <span class="second">{{
        t('altitudeDegHigh', {
          altitudeDeg: Math.round(each.altitudeDeg),
          minutesInField: each.still
            ? t('itStandsStill')
            : t('driftsToTheFieldsEdge', { minutesInField: each.minutesInField.toFixed(1) }),
        })
      }}</span>
    </button>
    <button
      v-if="moon"
      type="button"
      :class="['target', { on: target?.name === moonTarget.name }]"
      :disabled="!moon.usable"
      :aria-pressed="target?.name === moonTarget.name"
      @click="emit('choose', moonTarget)"
    >
      <span class="name overflow-hidden fw-640 text-ellipsis whitespace-nowrap">{{ t('theMoon') }}</span>
      <span class="second">{{
        moon.reason
          ? moonWords[moon.reason]
          : t('highFromTheSun', {
              altitudeDeg: Math.round(moon.altitudeDeg),
              sunSeparationDeg: Math.round(moon.sunSeparationDeg),
            })
      }}</span>
    </button>
    <div v-if="offsetKnown" class="sheet flex flex-wrap gap-8px items-center">
      <label class="flex flex-wrap gap-8px items-center"
        >{{ t('itsSheetOfTwoMarks') }}
        <FigureInput
          v-model="sheetM"
          :label="t('howFarAwayItsSheet')"
          name="sheet-distance"
          unit="m"
          class="w-96px"
        />
        {{ t('away') }}</label
      >
      <ElButton
        size="small"
        :disabled="sheetM === null || sheetProblem !== null"
        @click="sheetM && emit('choose', sheetTarget(sheetM))"
      >
        {{ t('useIt') }}
      </ElButton>
      <i v-if="sheetProblem" class="rust">{{ sheetProblem }}</i>
    </div>
  </div>
</template>

<style scoped>
.target {
  display: grid;
  grid-template-columns: minmax(0, 200px) minmax(0, 1fr);
  gap: 10px;
  align-items: baseline;
  min-height: 38px;
  padding: 5px 10px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.target:disabled {
  border-style: dashed;
  color: var(--quiet);
  cursor: not-allowed;
}

.target:disabled b {
  color: var(--rust);
  font-weight: 640;
}

.target.on {
  border: 2px solid var(--night);
  background: var(--card);
}
</style>
