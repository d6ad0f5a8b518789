<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { collapsibleBalance, massText, tubeAdvice } from '@binoculum/core'
import { computed } from 'vue'
import FigureInput from '../../shared/controls/FigureInput.vue'
import SerifText from '../../shared/SerifText.vue'
import BigFigure from '../../shared/drawings/BigFigure.vue'
import { onMountOf, type CheckDraft } from './check-draft.ts'
import { BALANCE_LIMIT_MM } from './use-balance.ts'
import { benchWords } from './words.ts'

const t = benchWords('clampBalance')

/** A tabletop tube that slides open: level with everything on, so a little tail-heavy when it is empty. */
const { kit } = defineProps<{ kit: KitSheet }>()
const draft = defineModel<CheckDraft['balance']>({ required: true })
const hangG = computed(() => draft.value.leftHangG ?? draft.value.foundHangG)
const figures = computed(() => {
  const kitOnMount = onMountOf(kit)
  return kitOnMount && collapsibleBalance(kitOnMount, hangG.value ?? 0)
})
function set(value: number | null) {
  if (draft.value.leftHangG === null) draft.value.foundHangG = value
  else draft.value.leftHangG = value
}
</script>

<template>
  <div v-if="figures" class="grid grid-cols-[repeat(auto-fit,minmax(320px,1fr))] gap-y-24px gap-x-44px">
    <section class="grid gap-12px content-start justify-items-start">
      <h2>{{ t('slidOpenRodsLockedEverything') }}</h2>
      <ol class="m-0 pl-20px text-17px lh-26px">
        <li>{{ t('finderAndLowestPowerIn') }}</li>
        <li>{{ t('levelItAndLetGo') }}</li>
        <li>{{ t('theTailSinksHangSmall') }}</li>
        <li>{{ t('theOpenEndSinksHang') }}</li>
      </ol>
      <label class="labelled"
        ><span>{{ t('gramsAtTheOpenEnd') }}</span
        ><FigureInput
          :model-value="hangG"
          :label="t('gramsAtTheOpenEndThat')"
          name="hang-g"
          unit="g"
          large
          @update:model-value="set"
      /></label>
      <ElButton
        v-if="draft.leftHangG === null"
        size="large"
        :disabled="draft.foundHangG === null"
        @click="draft.leftHangG = 0"
      >
        {{ t('slidItItStaysNow') }}
      </ElButton>
      <ElButton v-else link @click="draft.leftHangG = null"> {{ t('leftAsFoundAfterAll') }} </ElButton>
    </section>
    <section class="judgement grid gap-12px content-start justify-items-start">
      <BigFigure :value="hangG === null ? null : Math.abs(figures.shiftMm)" :limit="BALANCE_LIMIT_MM" unit="mm" />
      <p>
        <strong>{{ t('tubeFromItsRightPlace') }}</strong>
      </p>
      <p class="advice" role="status" :aria-label="t('whatToDo')">
        <SerifText :text="hangG === null ? t('letGoAndSeeWhich') : tubeAdvice(figures.shiftMm)" />
      </p>
      <dl class="grid grid-cols-[auto_minmax(0,1fr)] gap-y-6px gap-x-16px m-0">
        <dt class="[font:italic_400_16px_var(--serif)] text-quiet">{{ t('fitted') }}</dt>
        <dd class="mr-12px ml-0 my-0 fw-400">{{ t('finderAndLowestPowerOn') }}</dd>
        <dt class="[font:italic_400_16px_var(--serif)] text-quiet">{{ t('empty') }}</dt>
        <dd class="mr-12px ml-0 my-0 fw-400">
          {{
            t('tailHeavyAtTheEnd', {
              grams: massText(Math.abs(figures.emptyHangG)),
              end: figures.emptyHangG >= 0 ? t('open') : t('mirror'),
            })
          }}
        </dd>
      </dl>
    </section>
  </div>
</template>

<style scoped src="./measuring-station.css"></style>
