<script setup lang="ts">
import { massText } from '@binoculum/core'
import { computed } from 'vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import ScaleBar from '../../../shared/drawings/ScaleBar.vue'
import { whatWeighingSees, type ModelDraft } from './model-draft.ts'

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
    <h2>What weighing can see</h2>
    <div
      v-for="sight in sights"
      :key="sight.name"
      class="sight grid grid-cols-[82px_104px_44px_minmax(0,1fr)] gap-4px items-center py-4px px-0 line-b-rule"
    >
      <ElInput
        :model-value="sight.name"
        :disabled="!mayChange"
        aria-label="Name of the group"
        @change="(name: string) => emit('set', indexOf(sight.name), { name: name.trim() || sight.name })"
      />
      <span class="second flex gap-4px items-center"
        >scale
        <FigureInput
          :model-value="sight.scaleStepG"
          label="Step of its scale, g"
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
        :label="`a loss shows from ${massText(sight.smallestG)}; ${sight.matters.name} weighs ${massText(sight.matters.massG)}`"
      />
      <span v-if="sight.matters" class="second col-[2_/_-1]"
        >{{ sight.matters.name }} {{ massText(sight.matters.massG) }}</span
      >
    </div>
    <p class="second">
      dot: the smallest loss that shows; tick: the part that matters.
      <strong v-if="hidden.length > 0" class="rust"
        >{{ hidden[0]?.matters?.name }} stays unseen until each kit’s {{ hidden[0]?.name }} was weighed once,
        complete: then {{ massText(hidden[0]?.once ?? 0) }} shows.</strong
      >
    </p>
    <ElButton v-if="mayChange" link type="primary" @click="emit('add')">Another group</ElButton>
  </section>
</template>

<style scoped>
.sight > * {
  min-width: 0;
  overflow-wrap: anywhere;
}
</style>
