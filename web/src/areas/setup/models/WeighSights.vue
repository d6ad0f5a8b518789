<script setup lang="ts">
import { massText } from '@binoculum/core'
import { computed } from 'vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import ScaleBar from '../../../shared/drawings/ScaleBar.vue'
import { whatWeighingSees, type ModelDraft } from './model-draft.ts'
import { setupWords } from '../words.ts'

const t = setupWords('weighSights')

/** What weighing each group of a model can see, and on which scale. */
const { draft, mayChange } = defineProps<{ draft: ModelDraft; mayChange: boolean }>()
const emit = defineEmits<{ set: [index: number, change: Partial<{ name: string; scaleStepG: number }>]; add: [] }>()
const LEAST_STEP_G = 0.1
const sights = computed(() => whatWeighingSees(draft))
const hidden = computed(() => sights.value.filter(({ smallestG, matters }) => matters && smallestG > matters.massG))
const indexOf = (name: string) => draft.weighGroups.findIndex((group) => group.name === name)
</script>

<template>
  <section>
    <h2>{{ t('whatWeighingCanSee') }}</h2>
    <div
      v-for="sight in sights"
      :key="sight.name"
      class="sight grid grid-cols-[82px_104px_44px_minmax(0,1fr)] gap-4px items-center py-4px px-0 line-b-rule"
    >
      <ElInput
        :model-value="sight.name"
        :disabled="!mayChange"
        :aria-label="t('nameOfTheGroup')"
        @change="(name: string) => emit('set', indexOf(sight.name), { name: name.trim() || sight.name })"
      />
      <span class="second flex gap-4px items-center"
        >{{ t('scale') }}
        <FigureInput
          :model-value="sight.scaleStepG"
          :label="t('stepOfItsScaleG')"
          unit="g"
          :disabled="!mayChange"
          @update:model-value="
            (step) =>
              emit('set', indexOf(sight.name), { scaleStepG: Math.max(LEAST_STEP_G, step ?? sight.scaleStepG) })
          "
      /></span>
      <b :class="{ rust: sight.matters && sight.smallestG > sight.matters.massG }">{{ massText(sight.smallestG) }}</b>
      <ScaleBar
        v-if="sight.matters"
        :value="sight.smallestG"
        :limit="sight.matters.massG"
        :label="
          t('aLossShowsFromWeighs', {
            smallestG: massText(sight.smallestG),
            name: sight.matters.name,
            massG: massText(sight.matters.massG),
          })
        "
      />
      <span v-if="sight.matters" class="second col-[2_/_-1]"
        >{{ sight.matters.name }} {{ massText(sight.matters.massG) }}</span
      >
    </div>
    <p class="second">
      {{ t('dotTheSmallestLossThat') }}
      <strong v-if="hidden.length > 0" class="rust">{{
        t('staysUnseenUntilEachKits', {
          part: hidden[0]?.matters?.name,
          group: hidden[0]?.name,
          once: massText(hidden[0]?.once ?? 0),
        })
      }}</strong>
    </p>
    <ElButton v-if="mayChange" link type="primary" @click="emit('add')">{{ t('anotherGroup') }}</ElButton>
  </section>
</template>

<style scoped>
.sight > * {
  min-width: 0;
  overflow-wrap: anywhere;
}
</style>
