<script setup lang="ts">
import type { EquatorialHead, TubeFigures } from '@binoculum/core'
import { useTemplateRef } from 'vue'
import FigureInput from '../../shared/controls/FigureInput.vue'
import BalanceDrawing from './BalanceDrawing.vue'
import type { KitBalance } from './use-balance.ts'
import { benchWords } from './words.ts'

const t = benchWords('balanceHand')

/** Drawing and length of the bare shaft: what moves with the weight, apart from what doesn't. */
const { balance } = defineProps<{ balance: KitBalance; head: EquatorialHead; tube: TubeFigures | null }>()
const { keptMm, badLength, massG, thicknessMm, nowMm, rightMm, report, falls } = balance
const field = useTemplateRef('field')
defineExpose({ focus: () => field.value?.focus() })
</script>

<template>
  <div>
    <BalanceDrawing
      :head="head"
      :tube="tube"
      :mass-g="massG"
      :thickness-mm="thicknessMm"
      :now-mm="nowMm"
      :right-mm="rightMm"
      :slack-mm="report?.shaft?.slackMm ?? 0"
      :falls="falls"
      @move="balance.moveTo"
      @drop="balance.letGo"
    />
    <p class="typed flex flex-wrap gap-y-8px gap-x-20px items-center">
      <label class="labelled flex gap-10px items-center"
        ><span>{{ t('bareShaftBeforeTheEnd') }}</span
        ><FigureInput
          ref="field"
          class="w-130px"
          :label="t('bareShaftBeforeTheEnd')"
          unit="mm"
          name="bare-shaft-mm"
          :model-value="keptMm === null ? null : Math.round(keptMm)"
          @update:model-value="balance.setBare($event)"
      /></label>
      <span v-if="badLength" class="rust">{{ badLength }}</span>
      <span class="caution flex-[1_1_220px] pl-10px [border-left:5px_double_var(--rust)] text-rust text-14px">{{
        t('oneClutchAtATime')
      }}</span>
    </p>
  </div>
</template>

<style scoped src="./measuring-station.css"></style>
