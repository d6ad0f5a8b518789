<script setup lang="ts">
import { DRYING_HOURS, type TakeBackAnswers } from '@binoculum/core'
import { computed } from 'vue'

/** What the desk asks the borrower, and sees at a glance beside the card. */
const { answers, hasPack } = defineProps<{ answers: TakeBackAnswers; hasPack: boolean }>()
const emit = defineEmits<{ set: [answer: keyof TakeBackAnswers, value: string | boolean] }>()

type Tick = Exclude<keyof TakeBackAnswers, 'whatDidNotWork'>
const asked: readonly (readonly [Tick, string])[] = [
  ['dropped', 'dropped or knocked over'],
  ['wet', 'wet'],
  ['insectsOrSmoke', 'insects, or smells of smoke'],
]
const seen: readonly (readonly [Tick, string])[] = [
  ['glassWhole', 'glass whole, by torch'],
  ['focuserSmooth', 'focuser runs smoothly'],
  ['batteryDoorShut', 'finder off, its battery door screwed shut'],
  ['packCharged', '12 V pack charged, its switch off'],
]
const found: readonly (readonly [Tick, string])[] = [
  ['sunFilterFound', 'a sun filter that screws into an eyepiece lies in the case'],
  ['laserFound', 'a laser lies in the case, collimator or pointer'],
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
    <h2 class="mt-4px">“What didn’t work?”</h2>
    <ElInput
      type="textarea"
      :rows="2"
      maxlength="1000"
      aria-label="What didn’t work?"
      placeholder="in the borrower’s words"
      :model-value="answers.whatDidNotWork"
      @input="emit('set', 'whatDidNotWork', $event)"
    />
    <h2 class="mt-4px">Asked and seen</h2>
    <ElCheckbox
      v-for="[answer, words] in ticks"
      :key="answer"
      class="min-h-0 m-0 text-14px [--el-checkbox-height:24px] coarse:[--el-checkbox-height:40px]"
      :model-value="answers[answer]"
      @update:model-value="emit('set', answer, $event === true)"
      >{{ words }}</ElCheckbox
    >
    <p v-if="answers.wet" class="pl-8px [border-left:3px_double_var(--rust-pale)] text-14px">
      Caps off, open, in a dry room: {{ DRYING_HOURS }} hours at least before any cap goes on.
    </p>
    <p v-if="answers.insectsOrSmoke" class="pl-8px [border-left:3px_double_var(--rust-pale)] text-14px">
      Into a sealed bag, apart from the other kits.
    </p>
    <p v-if="answers.laserFound" class="rust pl-8px [border-left:3px_double_var(--rust-pale)] text-14px">
      Take it out now and keep it at the bench: a laser is never in a lent kit.
    </p>
    <p v-if="answers.sunFilterFound" class="rust pl-8px [border-left:3px_double_var(--rust-pale)] text-14px">
      Take it out now and keep it: such filters crack in use. It is withdrawn, never lent again.
    </p>
  </section>
</template>
