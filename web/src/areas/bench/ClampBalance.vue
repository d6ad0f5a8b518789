<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { collapsibleBalance, massText, tubeAdvice } from '@binoculum/core'
import { computed } from 'vue'
import FigureInput from '../../shared/controls/FigureInput.vue'
import SerifText from '../../shared/SerifText.vue'
import BigFigure from '../../shared/drawings/BigFigure.vue'
import { onMountOf, type CheckDraft } from './check-draft.ts'
import { BALANCE_LIMIT_MM } from './use-balance.ts'

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
      <h2>Slid open, rods locked, everything on</h2>
      <ol class="m-0 pl-20px text-17px lh-26px">
        <li>Finder and lowest power in, caps off. Open the tension knob, a hand on the tube.</li>
        <li>Level it and let go gently. It stays? Then type 0.</li>
        <li>The tail sinks? Hang small weights at the open end until it stays, and type their grams.</li>
        <li>The open end sinks? Hang them at the mirror end, and type the grams with a minus.</li>
      </ol>
      <label class="labelled"
        ><span>grams at the open end that level it</span
        ><FigureInput
          :model-value="hangG"
          label="Grams at the open end that level it"
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
        Slid it: it stays now
      </ElButton>
      <ElButton v-else link @click="draft.leftHangG = null"> left as found after all </ElButton>
    </section>
    <section class="judgement grid gap-12px content-start justify-items-start">
      <BigFigure :value="hangG === null ? null : Math.abs(figures.shiftMm)" :limit="BALANCE_LIMIT_MM" unit="mm" />
      <p><strong>tube from its right place in the clamp</strong></p>
      <p class="advice" role="status" aria-label="What to do">
        <SerifText :text="hangG === null ? 'Let go, and see which end sinks.' : tubeAdvice(figures.shiftMm)" />
      </p>
      <dl class="grid grid-cols-[auto_minmax(0,1fr)] gap-y-6px gap-x-16px m-0">
        <dt class="[font:italic_400_16px_var(--serif)] text-quiet">Fitted</dt>
        <dd class="mr-12px ml-0 my-0 fw-400">finder and lowest power on: level</dd>
        <dt class="[font:italic_400_16px_var(--serif)] text-quiet">Empty</dt>
        <dd class="mr-12px ml-0 my-0 fw-400">
          tail-heavy: {{ massText(Math.abs(figures.emptyHangG)) }} at the
          {{ figures.emptyHangG >= 0 ? 'open' : 'mirror' }} end would level it. So it should be.
        </dd>
      </dl>
    </section>
  </div>
</template>

<style scoped src="./measuring-station.css"></style>
