<script setup lang="ts">
import type { OpticalCare } from '@binoculum/contract'
import { computed } from 'vue'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import { benchWords } from '../words.ts'

const t = benchWords('opticalCareForm')

/** An optical finder's own care: its front cell, its ring, its caps, and a second look at the highest power. */
const care = defineModel<OpticalCare | null>({ required: true })
const nothing: OpticalCare = { frontCell: null, oRing: null, capsThere: null, atHighestPower: null }
const set = (change: Partial<OpticalCare>) => (care.value = { ...(care.value ?? nothing), ...change })
const now = computed(() => care.value ?? nothing)

const cells = [
  { value: 'sharp-and-locked', words: t('starsSharpRingLocked') },
  { value: 'blurred', words: t('starsNotSharp') },
  { value: 'loose', words: t('itsLockRingIsLoose') },
] as const
const rings = [
  { value: 'seated', words: t('seatedInItsGroove') },
  { value: 'missing', words: t('missingOrCracked') },
  { value: 'none', words: t('thisFinderHasNone') },
] as const
const caps = [
  { value: 'yes', words: t('bothThere') },
  { value: 'no', words: t('oneMissing') },
] as const
const looks = [
  { value: 'inside', words: t('stillInTheView') },
  { value: 'outside', words: t('outOfTheView') },
] as const
const yesNo = (given: boolean | null) => (given === null ? null : given ? ('yes' as const) : ('no' as const))
const advice = computed(() => {
  const { frontCell, oRing, capsThere, atHighestPower } = now.value
  return [
    frontCell === 'blurred' ? t('loosenTheLockRingScrew') : '',
    frontCell === 'loose' ? t('lockTheRingBehindThe') : '',
    oRing === 'missing' ? t('withoutItsRingItRocks') : '',
    capsThere === false ? t('markTheCapOnThe') : '',
    atHighestPower === 'outside' ? t('lineItUpOnceMore') : '',
  ].filter(Boolean)
})
</script>

<template>
  <section class="grid gap-6px">
    <h3 class="[font:italic_400_16px_var(--serif)] text-quiet">{{ t('theFinderItself') }}</h3>
    <div class="row grid grid-cols-[repeat(auto-fit,minmax(min(180px,100%),1fr))] gap-8px">
      <ChoiceSelect
        :model-value="now.frontCell"
        :options="cells"
        :label="t('itsFrontCell')"
        :placeholder="t('itsFrontCell')"
        @update:model-value="set({ frontCell: $event })"
      />
      <ChoiceSelect
        :model-value="now.oRing"
        :options="rings"
        :label="t('itsORing')"
        :placeholder="t('itsORing')"
        @update:model-value="set({ oRing: $event })"
      />
      <ChoiceSelect
        :model-value="yesNo(now.capsThere)"
        :options="caps"
        :label="t('itsCaps')"
        :placeholder="t('itsCaps')"
        @update:model-value="set({ capsThere: $event === null ? null : $event === 'yes' })"
      />
      <ChoiceSelect
        :model-value="now.atHighestPower"
        :options="looks"
        :label="t('atTheHighestPower')"
        :placeholder="t('atTheHighestPower')"
        @update:model-value="set({ atHighestPower: $event })"
      />
    </div>
    <p v-for="each in advice" :key="each" class="rust">{{ each }}</p>
  </section>
</template>
