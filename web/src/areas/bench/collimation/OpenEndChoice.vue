<script setup lang="ts">
import FigureInput from '../../../shared/controls/FigureInput.vue'
import { benchWords } from '../words.ts'

const t = benchWords('openEndChoice')

/** Where the tube's open end lies in a picture. Unset until somebody says it: a wrong side would turn the wrong screw. */
const { last } = defineProps<{ last: number | null }>()
const deg = defineModel<number | null>({ required: true })

const sides = [
  { deg: 0, words: t('up') },
  { deg: 90, words: t('right') },
  { deg: 180, words: t('down') },
  { deg: 270, words: t('left') },
] as const
const set = (given: number) => (deg.value = ((Math.round(given) % 360) + 360) % 360)
const typed = (given: number | null) => given !== null && set(given)
</script>

<template>
  <div :class="['open-end', { ask: deg === null }]" role="group" :aria-label="t('whereTheOpenEndIs')">
    <p v-if="deg === null">
      <strong>{{ t('whereIsTheTubesOpen') }}</strong> {{ t('holdAHandBeforeIt') }}
    </p>
    <p class="choices flex flex-wrap gap-y-6px gap-x-10px items-center">
      <ElButton
        v-for="side in sides"
        :key="side.deg"
        size="small"
        :aria-pressed="deg === side.deg"
        @click="set(side.deg)"
      >
        {{ side.words }}
      </ElButton>
      <ElButton v-if="deg === null && last !== null" size="small" @click="set(last)">
        {{ t('asInTheLastPicture', { last }) }}
      </ElButton>
      <label class="flex gap-6px items-center whitespace-nowrap">
        {{ t('or') }}
        <FigureInput
          class="w-84px"
          :model-value="deg"
          :label="t('directionOfTheOpenEnd')"
          name="open-end"
          unit="°"
          @update:model-value="typed"
        />
        {{ t('clockwiseFromUp') }}
      </label>
    </p>
  </div>
</template>

<style scoped>
.open-end {
  display: grid;
  gap: 6px;
}

.open-end.ask {
  padding: 8px 12px;
  border: 2px solid var(--brass);
}

.choices [aria-pressed='true'] {
  border-color: var(--night);
  background: var(--night);
  color: var(--paper);
}
</style>
