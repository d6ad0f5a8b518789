<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import {
  axisErrorMm,
  collimationQuality,
  highestMagnification,
  mmText,
  offsetInCellFrame,
  powersOf,
  powerText,
  primaryAdvice,
} from '@binoculum/core'
import { computed } from 'vue'
import SerifText from '../../shared/SerifText.vue'
import BigFigure from './BigFigure.vue'
import { checkedKitOf, type CheckDraft, type OffsetDraft } from './check-draft.ts'
import PeepholeDial from './PeepholeDial.vue'

const { kit } = defineProps<{ kit: KitSheet }>()
const pair = defineModel<CheckDraft['collimation']>({ required: true })

const checked = computed(() => checkedKitOf(kit))
const now = computed<OffsetDraft>(() => pair.value.asLeft ?? pair.value.asFound)
const errorOf = (draft: OffsetDraft | null) =>
  draft === null || draft.offsetMm === null || !(draft.offsetMm >= 0)
    ? null
    : axisErrorMm({ offsetMm: draft.offsetMm, clockHours: draft.clockHours }, checked.value)
const error = computed(() => errorOf(now.value))
const found = computed(() => errorOf(pair.value.asFound))
const quality = computed(() =>
  collimationQuality({
    apertureMm: kit.optics.apertureMm,
    focalLengthMm: kit.optics.primaryFocalLengthMm,
    mirrorFigure: kit.optics.mirrorFigure,
    axisErrorMm: error.value ?? 0,
  }),
)
/** Offset on the primary that stands for the limit, for the dial's ring. */
const limitOffsetMm = computed(
  () => quality.value.limitMm / axisErrorMm({ offsetMm: 1, clockHours: 12 }, checked.value),
)
const highest = computed(() =>
  highestMagnification(
    powersOf(
      kit.optics,
      kit.parts.map(({ name, optics }) => ({ name, ...optics })),
    ),
  ),
)
const noticed = computed(() => highest.value > 0.5 * kit.optics.apertureMm)
const advice = computed(() => {
  const { offsetMm, clockHours } = now.value
  if (error.value === null || offsetMm === null)
    return 'Look through the cap, at a lit wall or shaded sky away from the Sun.'
  if (quality.value.verdict === 'good') return 'Well lined up. Lock, and look again.'
  return primaryAdvice(offsetInCellFrame({ lengthMm: offsetMm, clockHours }))
})
const strehl = computed(() => {
  const { strehl: value } = quality.value
  if (error.value === null) return ''
  if (value !== null)
    return `A perfect mirror of this size would keep ${(value * 100).toFixed(0)} % of a star’s peak (Strehl).`
  const own = kit.optics.mirrorFigure !== 'paraboloid'
  return own
    ? 'Here the mirror itself sets the sharpness, so no Strehl is given.'
    : 'Too far off for a Strehl to mean anything.'
})

function set(offsetMm: number, clockHours: number) {
  now.value.offsetMm = offsetMm
  now.value.clockHours = clockHours
}
const clean = (text: string) => (text === '' ? null : Number(text))
</script>

<template>
  <div class="collimation">
    <div class="view">
      <em><SerifText text="through the peephole; open end of the tube at 12" /></em>
      <PeepholeDial
        :offset-mm="now.offsetMm"
        :clock-hours="now.clockHours"
        :limit-offset-mm="limitOffsetMm"
        @set="set"
      />
      <div class="typed">
        <label class="labelled">
          <span>mark from the reflection, mm on the primary</span>
          <input
            class="field big"
            type="number"
            min="0"
            max="60"
            step="0.1"
            name="offset-mm"
            :value="now.offsetMm"
            @input="now.offsetMm = clean(($event.target as HTMLInputElement).value)"
          />
        </label>
        <label class="labelled">
          <span>towards, o’clock</span>
          <select v-model.number="now.clockHours" class="field big" name="clock">
            <option v-for="half in 24" :key="half" :value="half / 2">{{ half / 2 }}</option>
          </select>
        </label>
      </div>
    </div>
    <div class="judgement">
      <BigFigure :value="error" :limit="quality.limitMm" :good="quality.goodMm" unit="mm" />
      <p>
        <strong>primary’s axis off, at the focal plane</strong>
        <span v-if="now.offsetMm !== null" class="quiet">
          · seen as {{ mmText(now.offsetMm) }} between mark and reflection</span
        >
      </p>
      <p class="advice"><SerifText :text="advice" /></p>
      <p class="quiet">
        {{ strehl }} Its case gives up to {{ powerText(highest) }}:
        {{
          noticed
            ? 'beyond the limit a borrower notices.'
            : 'beyond the limit hardly anybody notices, so a note is enough.'
        }}
      </p>
      <dl class="kept">
        <dt>as found</dt>
        <dd>{{ found === null ? '–' : mmText(found) }}</dd>
        <dt>as left</dt>
        <dd>{{ pair.asLeft ? (error === null ? '–' : mmText(error)) : 'as found' }}</dd>
      </dl>
      <button
        v-if="!pair.asLeft"
        type="button"
        class="button big"
        :disabled="found === null"
        @click="pair.asLeft = { offsetMm: null, clockHours: pair.asFound.clockHours }"
      >
        Turned it: look again
      </button>
      <button v-else type="button" class="link-button" @click="pair.asLeft = null">left as found after all</button>
      <p class="second">
        Tube level for the secondary’s screws, never over the mirror; let one go before the next; never undo its
        centre bolt.
      </p>
    </div>
  </div>
</template>

<style scoped src="./measuring-station.css"></style>

<style scoped>
.collimation {
  display: grid;
  grid-template-columns: 330px minmax(0, 1fr);
  gap: 24px 44px;
}

.view {
  display: grid;
  gap: 8px;
  align-content: start;
  justify-items: center;
}

.typed {
  display: grid;
  grid-template-columns: 1fr 108px;
  gap: 12px;
  align-items: end;
}

@media (max-width: 900px) {
  .collimation {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
