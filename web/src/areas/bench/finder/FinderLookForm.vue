<script setup lang="ts">
import { lengthOf, mmText, type FinderData, type PointXY } from '@binoculum/core'
import { computed } from 'vue'
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
  const list: { key: FinderHow; words: string }[] = [
    { key: 'finder', words: `where the ${thing} stands` },
    { key: 'field', words: 'where it stands in the eyepiece' },
  ]
  if (finder.arcminPerMark !== null) list.push({ key: 'scale', words: 'marks of the finder' })
  return [...list, { key: 'typed' as const, words: 'I know the angle' }]
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
const set = (how: FinderHow) => (look.value.how = how)
function mark(at: PointXY) {
  if (allowed) look.value.seen = at
}
const number = (event: Event) => {
  const { value } = event.target as HTMLInputElement
  return value === '' ? null : Number(value)
}
</script>

<template>
  <div class="look">
    <p class="ways" role="group" aria-label="How it is read">
      <label v-for="way in ways" :key="way.key" :class="{ on: look.how === way.key }">
        <input type="radio" name="finder-how" :checked="look.how === way.key" @change="set(way.key)" />
        {{ way.words }}
      </label>
    </p>
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
      <div class="legend">
        <em>what you see in the finder</em>
        <p><span class="sign cross">+</span> {{ targetName }}, in the middle of the eyepiece</p>
        <p v-if="asideMm !== null">
          <span class="sign ring" /> the {{ thing }} belongs here, {{ mmText(asideMm) }} aside
        </p>
        <p><span class="sign dot" /> the {{ thing }} now</p>
        <p v-if="found"><span class="sign open" /> as found</p>
        <p v-if="views[finder.view]" class="second">{{ views[finder.view] }}</p>
        <div class="typed">
          <label class="labelled"
            ><span>right, ′</span
            ><input
              class="field"
              type="number"
              name="seen-x"
              :disabled="!allowed"
              :value="look.seen?.x"
              @input="mark({ x: number($event) ?? 0, y: look.seen?.y ?? 0 })"
          /></label>
          <label class="labelled"
            ><span>up, ′</span
            ><input
              class="field"
              type="number"
              name="seen-y"
              :disabled="!allowed"
              :value="look.seen?.y"
              @input="mark({ x: look.seen?.x ?? 0, y: number($event) ?? 0 })"
          /></label>
        </div>
      </div>
    </div>
    <div v-else-if="look.how === 'field'" class="typed">
      <label class="labelled"
        ><span>how far from the middle, 0 to 1 (the edge)</span
        ><select v-model="look.fraction" class="field big" name="fraction" :disabled="!allowed">
          <option :value="null">–</option>
          <option v-for="tenth in 11" :key="tenth" :value="(tenth - 1) / 10">
            {{ tenth === 1 ? 'in the middle' : tenth === 11 ? 'at the edge' : `${tenth - 1} tenths` }}
          </option>
        </select></label
      >
      <label class="labelled"
        ><span>towards, o’clock</span
        ><select v-model.number="look.clockHours" class="field big" name="finder-clock" :disabled="!allowed">
          <option v-for="half in 24" :key="half" :value="half / 2">{{ half / 2 }}</option>
        </select></label
      >
      <p class="second">{{ trains[finder.tube.train] }}</p>
    </div>
    <div v-else-if="look.how === 'scale'" class="typed">
      <label class="labelled"
        ><span>marks right (− left)</span
        ><input
          class="field big"
          type="number"
          step="0.5"
          name="marks-x"
          :disabled="!allowed"
          :value="look.marks.x"
          @input="look.marks.x = number($event)"
      /></label>
      <label class="labelled"
        ><span>marks up (− down)</span
        ><input
          class="field big"
          type="number"
          step="0.5"
          name="marks-y"
          :disabled="!allowed"
          :value="look.marks.y"
          @input="look.marks.y = number($event)"
      /></label>
    </div>
    <label v-else class="labelled">
      <span>finder off the tube, arcminutes</span>
      <input
        class="field big"
        type="number"
        min="0"
        :max="MOST_OFF_ARCMIN"
        step="1"
        name="misalignment"
        :disabled="!allowed"
        :value="look.misalignmentArcmin"
        @input="look.misalignmentArcmin = number($event)"
      />
    </label>
    <p v-if="tooFar" class="rust" role="alert">
      From 0 to {{ MOST_OFF_ARCMIN }}′. A finder that is farther off is put on anew first.
    </p>
  </div>
</template>

<style scoped src="../measuring-station.css"></style>

<style scoped>
.look {
  display: grid;
  gap: 12px;
  width: 100%;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  width: 100%;
  border-bottom: 1px solid var(--rule-strong);
}

.ways label {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 34px;
}

.ways .on {
  color: var(--ink);
  font-weight: 640;
}

.pad-side {
  display: grid;
  grid-template-columns: minmax(220px, 300px) minmax(0, 1fr);
  gap: 16px;
  width: 100%;
}

.legend {
  display: grid;
  gap: 6px;
  align-content: start;
}

.legend em {
  color: var(--quiet);
}

.legend p {
  display: flex;
  gap: 8px;
  align-items: baseline;
  line-height: 19px;
}

.sign {
  flex: none;
  width: 14px;
  height: 14px;
  border-radius: 50%;
}

.cross {
  font-weight: 700;
  line-height: 14px;
  text-align: center;
}

.ring {
  border: 3px solid var(--night);
}

.dot {
  background: var(--rust);
}

.open {
  border: 2px solid var(--rust);
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
