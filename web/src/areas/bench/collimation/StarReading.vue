<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { starRefusalWords, starWarningWords, type StarTested } from '@binoculum/core'
import { computed, ref, shallowRef } from 'vue'
import type { CollimationDraft, Measured } from './collimation-draft.ts'
import { usePhotoWork } from './use-photo-work.ts'

/** A star a little out of focus, best on both sides of it. */
const { kit } = defineProps<{ kit: KitSheet }>()
const draft = defineModel<CollimationDraft>({ required: true })
const emit = defineEmits<{ measured: [measured: Measured | null] }>()

const { progress, problem, run } = usePhotoWork()
const first = shallowRef<File | null>(null)
const other = shallowRef<File | null>(null)
const side = ref<'inside' | 'outside'>('outside')
const defocusWaves = ref<number | null>(null)
const tested = shallowRef<StarTested | null>(null)

const fileOf = (event: Event) => (event.target as HTMLInputElement).files?.[0] ?? null
/** One side alone: from half to nearly three times the truth. Both: a fifth. Common practice for the latter, no source. */
const DOUBT_SHARE = { one: 0.6, both: 0.2 }

async function measure() {
  if (!first.value) return
  const { apertureMm, primaryFocalLengthMm } = kit.optics
  const { mirror } = kit
  const given = {
    apertureMm,
    focalLengthMm: primaryFocalLengthMm,
    side: side.value,
    openEndDeg: draft.value.openEndDeg,
    ...(defocusWaves.value && defocusWaves.value > 0 ? { defocusWaves: defocusWaves.value } : {}),
    ...(mirror
      ? { secondaryMinorAxisMm: mirror.secondary.minorAxisMm, secondaryOffsetMm: mirror.secondary.offsetMm }
      : {}),
  }
  const [star, otherStar] = [first.value, other.value]
  const done = await run((worker) => worker.star(star, otherStar, given))
  if (!done) return
  tested.value = done.value
  const { axisErrorMm, offsetFraction, staticOffsetFraction, refused } = done.value
  if (refused !== null || axisErrorMm === null) return
  const fixed = staticOffsetFraction ?? { x: 0, y: 0 }
  const coma = { x: offsetFraction.x - fixed.x, y: offsetFraction.y - fixed.y }
  const length = Math.hypot(coma.x, coma.y) || 1
  const angle = (draft.value.openEndDeg * Math.PI) / 180
  // Coma points the way the axis is off, and the picture is turned into the cell's frame by its open end.
  const along = (coma.x * Math.sin(angle) - coma.y * Math.cos(angle)) / length
  const across = (coma.x * Math.cos(angle) + coma.y * Math.sin(angle)) / length
  emit('measured', {
    axisErrorMm: { x: along * axisErrorMm, y: across * axisErrorMm },
    uncertaintyMm: axisErrorMm * (other.value ? DOUBT_SHARE.both : DOUBT_SHARE.one),
    secondaryErrorMm: null,
    byHand: false,
  })
}
const said = computed(() => (tested.value?.refused ? starRefusalWords[tested.value.refused] : null))
</script>

<template>
  <div class="star">
    <label class="labelled">
      <span>picture of a star, a little out of focus</span>
      <input type="file" name="star" accept="image/*" @change="((first = fileOf($event)), measure())" />
    </label>
    <div class="row">
      <label class="labelled">
        <span>that was</span>
        <select v-model="side" class="field" name="side" @change="measure">
          <option value="outside">outside of focus (focuser out)</option>
          <option value="inside">inside of focus (focuser in)</option>
        </select>
      </label>
      <label class="labelled">
        <span>defocus, waves (rings seen)</span>
        <input
          v-model.number="defocusWaves"
          class="field"
          type="number"
          min="3"
          max="30"
          step="0.5"
          name="defocus"
          @change="measure"
        />
      </label>
      <label class="labelled">
        <span>open end, ° clockwise from up</span>
        <input v-model.number="draft.openEndDeg" class="field" type="number" min="0" max="359" @change="measure" />
      </label>
    </div>
    <label class="labelled">
      <span>the same star as far on the other side of focus</span>
      <input type="file" name="other-star" accept="image/*" @change="((other = fileOf($event)), measure())" />
    </label>
    <p v-if="progress !== null" role="status">measuring…</p>
    <p v-if="problem || said" class="problem" role="alert">{{ problem ?? said }}</p>
    <template v-if="tested && !tested.refused">
      <p>
        Dark middle off by
        <strong>{{ (Math.hypot(tested.offsetFraction.x, tested.offsetFraction.y) * 100).toFixed(0) }} %</strong>
        of the disc’s radius.
      </p>
      <ul class="second">
        <li v-for="code in tested.warnings" :key="code">{{ starWarningWords[code] }}</li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.star {
  display: grid;
  gap: 10px;
}

.row {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}

ul {
  margin: 0;
  padding-left: 18px;
}
</style>
