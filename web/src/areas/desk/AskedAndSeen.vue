<script setup lang="ts">
import { DRYING_HOURS, type TakeBackAnswers } from '@binoculum/core'
import { computed } from 'vue'
import { deskWords } from './words.ts'

const t = deskWords('askedAndSeen')

/** What the desk asks the borrower, and sees at a glance beside the card. */
const { answers, hasPack } = defineProps<{ answers: TakeBackAnswers; hasPack: boolean }>()
const emit = defineEmits<{ set: [answer: keyof TakeBackAnswers, value: string | boolean] }>()

type Tick = Exclude<keyof TakeBackAnswers, 'whatDidNotWork'>
const asked: readonly (readonly [Tick, string])[] = [
  ['dropped', t('droppedOrKnockedOver')],
  ['wet', t('wet')],
  ['insectsOrSmoke', t('insectsOrSmellsOfSmoke')],
]
const seen: readonly (readonly [Tick, string])[] = [
  ['glassWhole', t('glassWholeByTorch')],
  ['focuserSmooth', t('focuserRunsSmoothly')],
  ['batteryDoorShut', t('finderOffItsBatteryDoor')],
  ['packCharged', t('vPackChargedItsSwitch')],
]
const found: readonly (readonly [Tick, string])[] = [
  ['sunFilterFound', t('aSunFilterThatScrews')],
  ['laserFound', t('aLaserLiesInThe')],
]
const ticks = computed(() => [...asked, ...seen.filter(([answer]) => answer !== 'packCharged' || hasPack), ...found])
/** After a click the card’s keys hold again: Space must mark the next part, not take the tick away. */
function leave(event: MouseEvent) {
  if (event.detail === 0) return
  // A press on the words moves the focus once it has gone through.
  setTimeout(() => {
    const focused = document.activeElement
    if (focused instanceof HTMLInputElement && focused.type === 'checkbox') focused.blur()
  })
}
</script>

<template>
  <section class="grid gap-5px" @click="leave">
    <h2 class="mt-4px">{{ t('whatDidntWork') }}</h2>
    <ElInput
      type="textarea"
      :rows="2"
      maxlength="1000"
      :aria-label="t('whatDidntWork2')"
      :placeholder="t('inTheBorrowersWords')"
      :model-value="answers.whatDidNotWork"
      @input="emit('set', 'whatDidNotWork', $event)"
    />
    <h2 class="mt-4px">{{ t('askedAndSeen') }}</h2>
    <ElCheckbox
      v-for="[answer, words] in ticks"
      :key="answer"
      class="min-h-0 m-0 text-14px [--el-checkbox-height:24px] coarse:[--el-checkbox-height:40px]"
      :model-value="answers[answer]"
      @update:model-value="emit('set', answer, $event === true)"
      >{{ words }}</ElCheckbox
    >
    <p v-if="answers.wet" class="pl-8px [border-left:3px_double_var(--rust-pale)] text-14px">
      {{ t('capsOffOpenInA', { hours: DRYING_HOURS }) }}
    </p>
    <p v-if="answers.insectsOrSmoke" class="pl-8px [border-left:3px_double_var(--rust-pale)] text-14px">
      {{ t('intoASealedBagApart') }}
    </p>
    <p v-if="answers.laserFound" class="rust pl-8px [border-left:3px_double_var(--rust-pale)] text-14px">
      {{ t('takeItOutNowAnd') }}
    </p>
    <p v-if="answers.sunFilterFound" class="rust pl-8px [border-left:3px_double_var(--rust-pale)] text-14px">
      {{ t('takeItOutNowAndKeep') }}
    </p>
  </section>
</template>
