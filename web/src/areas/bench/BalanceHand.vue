<script setup lang="ts">
import type { EquatorialHead, TubeFigures } from '@binoculum/core'
import { useTemplateRef } from 'vue'
import FigureInput from '../../shared/controls/FigureInput.vue'
import BalanceDrawing from './BalanceDrawing.vue'
import type { KitBalance } from './use-balance.ts'

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
    <p class="typed">
      <label class="labelled"
        ><span>bare shaft before the end stop, mm</span
        ><FigureInput
          ref="field"
          label="bare shaft before the end stop, mm"
          unit="mm"
          name="bare-shaft-mm"
          :model-value="keptMm === null ? null : Math.round(keptMm)"
          @update:model-value="balance.setBare($event)"
      /></label>
      <span v-if="badLength" class="rust">{{ badLength }}</span>
      <span class="caution">One clutch at a time, a hand on the tube. Toes clear of the weight; end stop on.</span>
    </p>
  </div>
</template>

<style scoped src="./measuring-station.css"></style>

<style scoped>
.typed {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: center;
}

.typed .labelled {
  display: flex;
  gap: 10px;
  align-items: center;
}

.typed :deep(.el-input) {
  width: 130px;
}

.caution {
  flex: 1 1 220px;
  padding-left: 10px;
  border-left: 5px double var(--rust);
  color: var(--rust);
  font-size: 14px;
}
</style>
