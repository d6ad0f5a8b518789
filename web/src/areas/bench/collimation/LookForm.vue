<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import type { EyePlace } from '@binoculum/core'
import { computed } from 'vue'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import { clockHours } from '../../../shared/controls/clock-hours.ts'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import WayChoice from '../../../shared/controls/WayChoice.vue'
import PeepholeDial from './PeepholeDial.vue'
import PhotoReading from './PhotoReading.vue'
import StarReading from './StarReading.vue'
import type { CollimationDraft, Look, LookWay, Measured } from './collimation-draft.ts'
import { benchWords } from '../words.ts'

const t = benchWords('lookForm')

/** One look at the primary, in the way that suits: typed, by a picture, by a star, or by eye. */
const { kit, limitOffsetMm, allowed } = defineProps<{ kit: KitSheet; limitOffsetMm: number; allowed: boolean }>()
const draft = defineModel<CollimationDraft>('draft', { required: true })
const look = defineModel<Look>('look', { required: true })
const emit = defineEmits<{ measured: [way: 'photo' | 'star', measured: Measured | null] }>()

const ways: readonly { readonly value: LookWay; readonly words: string }[] = [
  { value: 'typed', words: t('typeAReading') },
  { value: 'photo', words: t('aPicture') },
  { value: 'eye', words: t('byEye') },
  { value: 'star', words: t('aStar') },
]
const eyes: readonly { readonly value: EyePlace; readonly words: string }[] = [
  { value: 'middle', words: t('theHoleSitsInThe') },
  { value: 'inside', words: t('theHoleLiesWithinThe') },
  { value: 'on-edge', words: t('theHoleLiesOnThe') },
  { value: 'beside', words: t('theHoleLiesBesideThe') },
]
function set(offsetMm: number, clockHours: number) {
  if (allowed) Object.assign(look.value, { offsetMm, clockHours })
}
const hours = computed({
  get: () => look.value.clockHours,
  set: (value: number | null) => (look.value.clockHours = value ?? 12),
})
</script>

<template>
  <div class="grid gap-10px">
    <WayChoice v-model="look.way" :options="ways" :label="t('howItIsLookedAt')" />
    <div v-if="look.way === 'typed' || look.way === 'eye'" class="grid grid-cols-[1fr_1fr] gap-10px items-end">
      <PeepholeDial
        v-if="look.way === 'typed' && !kit.mirror"
        class="col-span-full"
        :offset-mm="look.offsetMm"
        :clock-hours="look.clockHours"
        :limit-offset-mm="limitOffsetMm"
        @set="set"
      />
      <label v-if="look.way === 'typed'" class="labelled">
        <span>{{ t('markFromTheReflectionMm') }}</span>
        <FigureInput
          v-model="look.offsetMm"
          :label="t('markFromTheReflection')"
          name="offset-mm"
          unit="mm"
          large
          :disabled="!allowed"
        />
      </label>
      <label v-else class="labelled">
        <span>{{ t('whatTheEyeSees') }}</span>
        <ChoiceSelect v-model="look.place" :options="eyes" :label="t('whatTheEyeSees2')" large :disabled="!allowed" />
      </label>
      <label class="labelled">
        <span>{{ t('markTowardsOclockOpenEnd') }}</span>
        <ChoiceSelect
          v-model="hours"
          :options="clockHours"
          :label="t('markTowardsOclock')"
          large
          :disabled="!allowed"
        />
      </label>
    </div>
    <PhotoReading
      v-else-if="look.way === 'photo'"
      v-model="draft"
      :kit="kit"
      :allowed="allowed"
      @measured="emit('measured', 'photo', $event)"
    />
    <StarReading v-else v-model="draft" :kit="kit" :allowed="allowed" @measured="emit('measured', 'star', $event)" />
  </div>
</template>

<style scoped src="../measuring-station.css"></style>
