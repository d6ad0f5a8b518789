<script setup lang="ts">
import { lengthOf, mmText, type FinderData, type PointXY } from '@binoculum/core'
import { computed } from 'vue'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import { clockHours } from '../../../shared/controls/clock-hours.ts'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import WayChoice from '../../../shared/controls/WayChoice.vue'
import { MOST_OFF_ARCMIN, type FinderHow, type FinderLook } from './finder-draft.ts'
import SeenPad from './SeenPad.vue'
import { benchWords } from '../words.ts'

const t = benchWords('finderLookForm')

/** How one look is written down: touched where the dot stands, by the eyepiece's field, by marks, or typed. */
const {
  finder,
  thing,
  targetName,
  aim,
  found,
  limit,
  asideMm,
  allowed,
  large = false,
} = defineProps<{
  finder: FinderData
  thing: string
  targetName: string
  /** Where dot or cross belongs, in the finder's own view. */
  aim: PointXY
  found: PointXY | null
  limit: number
  /** How far beside a near thing that is; null for what stands at infinity. */
  asideMm: number | null
  allowed: boolean
  large?: boolean
}>()
const look = defineModel<FinderLook>({ required: true })

const ways = computed(() => {
  const list: { value: FinderHow; words: string }[] = [
    { value: 'finder', words: t('whereTheStands', { thing }) },
    { value: 'field', words: t('whereItStandsInThe') },
  ]
  if (finder.arcminPerMark !== null) list.push({ value: 'scale', words: t('marksOfTheFinder') })
  return [...list, { value: 'typed' as const, words: t('iKnowTheAngle') }]
})
const trains: Readonly<Record<string, string>> = {
  newtonian: t('turnedAsAMirrorTube'),
  'mirror-diagonal': t('uprightButRightAndLeft'),
  'erecting-diagonal': t('uprightAndRightIsTowards'),
  straight: t('turnedOverStraightThroughIs'),
  correct: t('asTheNakedEyeSees'),
}
const views: Readonly<Record<string, string>> = {
  correct: '',
  turned: t('thisFinderShowsEverythingTurned'),
  mirrored: t('thisFinderExchangesRightAnd'),
}
const tooFar = computed(() => {
  const { how, seen, misalignmentArcmin } = look.value
  const arcmin = how === 'typed' ? misalignmentArcmin : how === 'finder' && seen ? lengthOf(seen) : null
  return arcmin !== null && !(arcmin >= 0 && arcmin <= MOST_OFF_ARCMIN)
})
function mark(at: PointXY) {
  if (allowed) look.value.seen = at
}
const seenAlong = (axis: 'x' | 'y') =>
  computed({
    get: () => look.value.seen?.[axis] ?? null,
    set: (value: number | null) => mark({ x: 0, y: 0, ...look.value.seen, [axis]: value ?? 0 }),
  })
const [seenX, seenY] = [seenAlong('x'), seenAlong('y')]
const tenths = Array.from({ length: 11 }, (_each, tenth) => ({
  value: tenth / 10,
  words: tenth === 0 ? t('inTheMiddle') : tenth === 10 ? t('atTheEdge') : t('tenthTenths', { tenth }),
}))
const hours = computed({
  get: () => look.value.clockHours,
  set: (value: number | null) => (look.value.clockHours = value ?? 12),
})
</script>

<template>
  <div class="grid gap-12px w-full">
    <WayChoice v-model="look.how" :options="ways" :label="t('howItIsRead')" />
    <div v-if="look.how === 'finder'" :class="['pad-side', { large }]">
      <SeenPad
        :seen="look.seen"
        :aim="aim"
        :found="found"
        :limit="limit"
        :good="limit / 2"
        :thing="thing"
        :target-name="targetName"
        :disabled="!allowed"
        @mark="mark"
      />
      <div class="grid gap-6px content-start">
        <em class="text-quiet">{{ t('whatYouSeeInThe') }}</em>
        <p class="flex gap-8px items-baseline lh-19px">
          <span class="flex-none w-14px h-14px rd-50% fw-700 lh-14px text-center">+</span>
          {{ t('inTheMiddleOfThe', { targetName }) }}
        </p>
        <p v-if="asideMm !== null" class="flex gap-8px items-baseline lh-19px">
          <span class="flex-none w-14px h-14px rd-50% line-3-night" />
          {{ t('theBelongsHereAside', { thing, asideMm: mmText(asideMm) }) }}
        </p>
        <p class="flex gap-8px items-baseline lh-19px">
          <span class="flex-none w-14px h-14px rd-50% bg-rust" /> {{ t('theNow', { thing }) }}
        </p>
        <p v-if="found" class="flex gap-8px items-baseline lh-19px">
          <span class="flex-none w-14px h-14px rd-50% line-2-rust" /> {{ t('asFound') }}
        </p>
        <p v-if="views[finder.view]" class="second flex gap-8px items-baseline lh-19px">{{ views[finder.view] }}</p>
        <div class="typed">
          <label class="labelled"
            ><span>{{ t('right') }}</span
            ><FigureInput v-model="seenX" :label="t('right2')" name="seen-x" unit="′" :disabled="!allowed"
          /></label>
          <label class="labelled"
            ><span>{{ t('up') }}</span
            ><FigureInput v-model="seenY" :label="t('up2')" name="seen-y" unit="′" :disabled="!allowed"
          /></label>
        </div>
      </div>
    </div>
    <div v-else-if="look.how === 'field'" class="typed">
      <label class="labelled"
        ><span>{{ t('howFarFromTheMiddle') }}</span
        ><ChoiceSelect
          v-model="look.fraction"
          :options="tenths"
          :label="t('howFarFromTheMiddle2')"
          name="fraction"
          placeholder="–"
          large
          :disabled="!allowed"
      /></label>
      <label class="labelled"
        ><span>{{ t('towardsOclock') }}</span
        ><ChoiceSelect v-model="hours" :options="clockHours" :label="t('towardsOclock2')" large :disabled="!allowed"
      /></label>
      <p class="second">{{ trains[finder.tube.train] }}</p>
    </div>
    <div v-else-if="look.how === 'scale'" class="typed">
      <label class="labelled"
        ><span>{{ t('marksRightLeft') }}</span
        ><FigureInput v-model="look.marks.x" :label="t('marksRight')" name="marks-x" large :disabled="!allowed"
      /></label>
      <label class="labelled"
        ><span>{{ t('marksUpDown') }}</span
        ><FigureInput v-model="look.marks.y" :label="t('marksUp')" name="marks-y" large :disabled="!allowed"
      /></label>
    </div>
    <label v-else class="labelled">
      <span>{{ t('finderOffTheTubeArcminutes') }}</span>
      <FigureInput
        v-model="look.misalignmentArcmin"
        :label="t('finderOffTheTube')"
        name="misalignment"
        unit="′"
        large
        :disabled="!allowed"
      />
    </label>
    <p v-if="tooFar" class="rust" role="alert">
      {{ t('fromToAFinderThat', { mostOffArcmin: MOST_OFF_ARCMIN }) }}
    </p>
  </div>
</template>

<style scoped src="../measuring-station.css"></style>

<style scoped>
.pad-side {
  display: grid;
  grid-template-columns: minmax(220px, 300px) minmax(0, 1fr);
  gap: 16px;
  width: 100%;
}

.typed {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  align-items: end;
}

.typed .second {
  grid-column: 1 / -1;
}

.pad-side.large {
  grid-template-columns: minmax(260px, 400px) minmax(0, 1fr);
}

@media (max-width: 1180px) {
  .pad-side.large {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media (max-width: 900px) {
  .pad-side,
  .pad-side.large {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
