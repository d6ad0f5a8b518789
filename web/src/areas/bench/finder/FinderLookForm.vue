<script setup lang="ts">
import { lengthOf, mmText, type FinderData, type PointXY } from '@binoculum/core'
import { computed } from 'vue'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import { clockHours } from '../../../shared/controls/clock-hours.ts'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import WayChoice from '../../../shared/controls/WayChoice.vue'
import { MOST_OFF_ARCMIN, type FinderHow, type FinderLook } from './finder-draft.ts'
import SeenPad from './SeenPad.vue'

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
    { value: 'finder', words: `where the ${thing} stands` },
    { value: 'field', words: 'where it stands in the eyepiece' },
  ]
  if (finder.arcminPerMark !== null) list.push({ value: 'scale', words: 'marks of the finder' })
  return [...list, { value: 'typed' as const, words: 'I know the angle' }]
})
const trains: Readonly<Record<string, string>> = {
  newtonian: 'Turned, as a mirror tube shows it; 12 is towards the tube’s open end: hold a hand before it to see.',
  'mirror-diagonal': 'Upright, but right and left are exchanged by the diagonal; 12 is towards the sky’s end.',
  'erecting-diagonal': 'Upright and right; 12 is towards the sky’s end.',
  straight: 'Turned over, straight through; 12 is up.',
  correct: 'As the naked eye sees it; 12 is up.',
}
const views: Readonly<Record<string, string>> = {
  correct: '',
  turned: 'This finder shows everything turned over: mark what you see, the rest is reckoned.',
  mirrored: 'This finder exchanges right and left: mark what you see, the rest is reckoned.',
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
  words: tenth === 0 ? 'in the middle' : tenth === 10 ? 'at the edge' : `${tenth} tenths`,
}))
const hours = computed({
  get: () => look.value.clockHours,
  set: (value: number | null) => (look.value.clockHours = value ?? 12),
})
</script>

<template>
  <div class="grid gap-12px w-full">
    <WayChoice v-model="look.how" :options="ways" label="How it is read" />
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
        <em class="text-quiet">what you see in the finder</em>
        <p class="flex gap-8px items-baseline lh-19px">
          <span class="flex-none w-14px h-14px rd-50% fw-700 lh-14px text-center">+</span> {{ targetName }}, in the
          middle of the eyepiece
        </p>
        <p v-if="asideMm !== null" class="flex gap-8px items-baseline lh-19px">
          <span class="flex-none w-14px h-14px rd-50% line-3-night" /> the {{ thing }} belongs here,
          {{ mmText(asideMm) }} aside
        </p>
        <p class="flex gap-8px items-baseline lh-19px">
          <span class="flex-none w-14px h-14px rd-50% bg-rust" /> the {{ thing }} now
        </p>
        <p v-if="found" class="flex gap-8px items-baseline lh-19px">
          <span class="flex-none w-14px h-14px rd-50% line-2-rust" /> as found
        </p>
        <p v-if="views[finder.view]" class="second flex gap-8px items-baseline lh-19px">{{ views[finder.view] }}</p>
        <div class="typed">
          <label class="labelled"
            ><span>right</span><FigureInput v-model="seenX" label="Right" name="seen-x" unit="′" :disabled="!allowed"
          /></label>
          <label class="labelled"
            ><span>up</span><FigureInput v-model="seenY" label="Up" name="seen-y" unit="′" :disabled="!allowed"
          /></label>
        </div>
      </div>
    </div>
    <div v-else-if="look.how === 'field'" class="typed">
      <label class="labelled"
        ><span>how far from the middle, 0 to 1 (the edge)</span
        ><ChoiceSelect
          v-model="look.fraction"
          :options="tenths"
          label="How far from the middle"
          name="fraction"
          placeholder="–"
          large
          :disabled="!allowed"
      /></label>
      <label class="labelled"
        ><span>towards, o’clock</span
        ><ChoiceSelect v-model="hours" :options="clockHours" label="Towards, o’clock" large :disabled="!allowed"
      /></label>
      <p class="second">{{ trains[finder.tube.train] }}</p>
    </div>
    <div v-else-if="look.how === 'scale'" class="typed">
      <label class="labelled"
        ><span>marks right (− left)</span
        ><FigureInput v-model="look.marks.x" label="Marks right" name="marks-x" large :disabled="!allowed"
      /></label>
      <label class="labelled"
        ><span>marks up (− down)</span
        ><FigureInput v-model="look.marks.y" label="Marks up" name="marks-y" large :disabled="!allowed"
      /></label>
    </div>
    <label v-else class="labelled">
      <span>finder off the tube, arcminutes</span>
      <FigureInput
        v-model="look.misalignmentArcmin"
        label="Finder off the tube"
        name="misalignment"
        unit="′"
        large
        :disabled="!allowed"
      />
    </label>
    <p v-if="tooFar" class="rust" role="alert">
      From 0 to {{ MOST_OFF_ARCMIN }}′. A finder that is farther off is put on anew first.
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
