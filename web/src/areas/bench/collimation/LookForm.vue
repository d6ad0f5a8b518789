<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import type { EyePlace } from '@binoculum/core'
import PeepholeDial from './PeepholeDial.vue'
import PhotoReading from './PhotoReading.vue'
import StarReading from './StarReading.vue'
import type { CollimationDraft, Look, LookWay, Measured } from './collimation-draft.ts'

/** One look at the primary, in the way that suits: typed, by a picture, by a star, or by eye. */
const { kit, limitOffsetMm, allowed } = defineProps<{ kit: KitSheet; limitOffsetMm: number; allowed: boolean }>()
const draft = defineModel<CollimationDraft>('draft', { required: true })
const look = defineModel<Look>('look', { required: true })
const emit = defineEmits<{ measured: [way: 'photo' | 'star', measured: Measured | null] }>()

const ways: readonly { readonly way: LookWay; readonly words: string }[] = [
  { way: 'typed', words: 'type a reading' },
  { way: 'photo', words: 'a picture' },
  { way: 'eye', words: 'by eye' },
  { way: 'star', words: 'a star' },
]
const eyes: readonly { readonly place: EyePlace; readonly words: string }[] = [
  { place: 'middle', words: 'the hole sits in the mark’s middle' },
  { place: 'inside', words: 'the hole lies within the mark, off its middle' },
  { place: 'on-edge', words: 'the hole lies on the mark’s rim' },
  { place: 'beside', words: 'the hole lies beside the mark' },
]
function set(offsetMm: number, clockHours: number) {
  if (allowed) Object.assign(look.value, { offsetMm, clockHours })
}
const clean = (text: string) => (text === '' ? null : Number(text))
</script>

<template>
  <div class="look">
    <p class="ways" role="group" aria-label="How it is looked at">
      <label v-for="each in ways" :key="each.way" :class="{ on: look.way === each.way }">
        <input v-model="look.way" type="radio" name="way" :value="each.way" /> {{ each.words }}
      </label>
    </p>
    <div v-if="look.way === 'typed' || look.way === 'eye'" class="typed">
      <PeepholeDial
        v-if="look.way === 'typed' && !kit.mirror"
        :offset-mm="look.offsetMm"
        :clock-hours="look.clockHours"
        :limit-offset-mm="limitOffsetMm"
        @set="set"
      />
      <label v-if="look.way === 'typed'" class="labelled">
        <span>mark from the reflection, mm on the primary</span>
        <input
          class="field big"
          type="number"
          min="0"
          max="60"
          step="0.1"
          name="offset-mm"
          :disabled="!allowed"
          :value="look.offsetMm"
          @input="look.offsetMm = clean(($event.target as HTMLInputElement).value)"
        />
      </label>
      <label v-else class="labelled">
        <span>what the eye sees</span>
        <select v-model="look.place" class="field big" name="eye-place" :disabled="!allowed">
          <option v-for="eye in eyes" :key="eye.place" :value="eye.place">{{ eye.words }}</option>
        </select>
      </label>
      <label class="labelled">
        <span>mark towards, o’clock, open end at 12</span>
        <select v-model.number="look.clockHours" class="field big" name="clock" :disabled="!allowed">
          <option v-for="half in 24" :key="half" :value="half / 2">{{ half / 2 }}</option>
        </select>
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

<style scoped>
.look {
  display: grid;
  gap: 10px;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  border-bottom: 1px solid var(--rule-strong);
}

.ways label {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 36px;
  color: var(--quiet);
}

.ways label.on {
  color: var(--ink);
  font-weight: 640;
}

.typed {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  align-items: end;
}

.typed svg {
  grid-column: 1 / -1;
}
</style>
