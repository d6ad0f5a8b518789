<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { arcminText, finderParallax, finderVerdict, misalignmentArcmin, type FinderReading } from '@binoculum/core'
import { computed } from 'vue'
import SerifText from '../../shared/SerifText.vue'
import BigChoice from './BigChoice.vue'
import BigFigure from './BigFigure.vue'
import { checkedKitOf, type CheckDraft, type FinderDraft } from './check-draft.ts'

const { kit } = defineProps<{ kit: KitSheet }>()
const pair = defineModel<CheckDraft['finder']>({ required: true })

const checked = computed(() => checkedKitOf(kit))
const now = computed<FinderDraft>(() => pair.value.asLeft ?? pair.value.asFound)
const ways = [
  { value: 'typed', words: 'I know the angle' },
  { value: 'landmark', words: 'At a landmark' },
] as const

function readingFrom(draft: FinderDraft): FinderReading | null {
  if (draft.way === 'typed')
    return draft.misalignmentArcmin === null || !(draft.misalignmentArcmin >= 0)
      ? null
      : { way: 'typed', misalignmentArcmin: draft.misalignmentArcmin }
  const { distanceM, seenXMm, seenYMm } = draft
  if (!distanceM || !(distanceM > 0) || seenXMm === null || seenYMm === null) return null
  return { way: 'landmark', distanceM, seenMm: { x: seenXMm, y: seenYMm } }
}
const offOf = (draft: FinderDraft) => {
  const reading = readingFrom(draft)
  return reading && misalignmentArcmin(reading, checked.value)
}
const off = computed(() => offOf(now.value))
const found = computed(() => offOf(pair.value.asFound))
const limit = computed(() => (checked.value.lowestFieldDeg * 60) / 2)
const verdict = computed(() =>
  off.value === null
    ? null
    : finderVerdict({ misalignmentArcmin: off.value, trueFieldDeg: checked.value.lowestFieldDeg }).verdict,
)
const parallax = computed(() =>
  now.value.distanceM && now.value.distanceM > 0
    ? finderParallax({ offsetMm: kit.optics.finderOffsetMm, distanceM: now.value.distanceM })
    : null,
)
const sideways = (mm: number, plus: string, minus: string) =>
  mm === 0 ? '' : `${Math.abs(mm)} mm ${mm > 0 ? plus : minus}`
const aim = computed(() => {
  const { x, y } = kit.optics.finderOffsetMm
  return [sideways(x, 'right', 'left'), sideways(y, 'up', 'down')].filter(Boolean).join(' and ')
})
const advice = computed(() => {
  if (verdict.value === null)
    return 'Lowest power in. Centre something far in the eyepiece, lock, then look through the finder.'
  if (verdict.value === 'good') return 'Lined up well: what stands in the finder stands in the eyepiece.'
  const where =
    now.value.way === 'landmark' ? `until it stands ${aim.value} of the centred spot` : 'onto what the eyepiece shows'
  return `Leave the tube where it is. Bring the finder ${where}, with its own knobs.`
})
const clean = (event: Event) => {
  const { value } = event.target as HTMLInputElement
  return value === '' ? null : Number(value)
}
</script>

<template>
  <div class="finder">
    <div class="entry">
      <BigChoice v-model="now.way" :options="ways" label="how it is read" />
      <label v-if="now.way === 'typed'" class="labelled">
        <span>finder off the tube, arcminutes</span>
        <input
          class="field big"
          type="number"
          min="0"
          step="1"
          name="misalignment"
          :value="now.misalignmentArcmin"
          @input="now.misalignmentArcmin = clean($event)"
        />
      </label>
      <template v-else>
        <label class="labelled">
          <span>distance of the landmark, m</span>
          <input
            class="field big"
            type="number"
            min="1"
            name="distance"
            :value="now.distanceM"
            @input="now.distanceM = clean($event)"
          />
        </label>
        <p>
          Where the dot stands, measured at the landmark from the spot in the eyepiece’s middle, as you see it with
          the naked eye:
        </p>
        <div class="pair">
          <label class="labelled">
            <span>mm to the right (− left)</span>
            <input
              class="field big"
              type="number"
              name="seen-x"
              :value="now.seenXMm"
              @input="now.seenXMm = clean($event)"
            />
          </label>
          <label class="labelled">
            <span>mm up (− down)</span>
            <input
              class="field big"
              type="number"
              name="seen-y"
              :value="now.seenYMm"
              @input="now.seenYMm = clean($event)"
            />
          </label>
        </div>
        <p v-if="parallax">
          The dot belongs <strong>{{ aim }}</strong> of the spot, at any distance: as far as the finder sits from the
          tube’s axis.
          <span class="quiet"
            >On the spot itself it would be {{ arcminText(parallax.angleArcmin) }} out for the stars.</span
          >
        </p>
        <p class="second">
          <strong class="rust">Never towards the Sun.</strong> Is the tube in shade, or does your shadow point towards
          the landmark? If neither, choose another one.
        </p>
      </template>
    </div>
    <div class="judgement">
      <BigFigure :value="off" :limit="limit" :good="limit / 2" unit="′" />
      <p>
        <strong>finder against tube, at the stars</strong>
        <span class="quiet"> · lowest power shows {{ (limit * 2).toFixed(0) }}′</span>
      </p>
      <p class="advice"><SerifText :text="advice" /></p>
      <dl class="kept">
        <dt>as found</dt>
        <dd>{{ found === null ? '–' : arcminText(found) }}</dd>
        <dt>as left</dt>
        <dd>{{ pair.asLeft ? (off === null ? '–' : arcminText(off)) : 'as found' }}</dd>
      </dl>
      <button
        v-if="!pair.asLeft"
        type="button"
        class="button big"
        :disabled="found === null"
        @click="pair.asLeft = { ...pair.asFound, misalignmentArcmin: null, seenXMm: null, seenYMm: null }"
      >
        Turned its knobs: look again
      </button>
      <button v-else type="button" class="link-button" @click="pair.asLeft = null">left as found after all</button>
    </div>
  </div>
</template>

<style scoped src="./measuring-station.css"></style>

<style scoped>
.finder {
  display: grid;
  grid-template-columns: 380px minmax(0, 1fr);
  gap: 24px 44px;
}

.entry {
  display: grid;
  gap: 12px;
  align-content: start;
  justify-items: start;
}

.labelled {
  width: 100%;
}

.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}

@media (max-width: 900px) {
  .finder {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
