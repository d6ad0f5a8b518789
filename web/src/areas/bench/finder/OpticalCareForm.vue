<script setup lang="ts">
import type { OpticalCare } from '@binoculum/contract'
import { computed } from 'vue'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'

/** An optical finder's own care: its front cell, its ring, its caps, and a second look at the highest power. */
const care = defineModel<OpticalCare | null>({ required: true })
const nothing: OpticalCare = { frontCell: null, oRing: null, capsThere: null, atHighestPower: null }
const set = (change: Partial<OpticalCare>) => (care.value = { ...(care.value ?? nothing), ...change })
const now = computed(() => care.value ?? nothing)

const cells = [
  { value: 'sharp-and-locked', words: 'stars sharp, ring locked' },
  { value: 'blurred', words: 'stars not sharp' },
  { value: 'loose', words: 'its lock ring is loose' },
] as const
const rings = [
  { value: 'seated', words: 'seated in its groove' },
  { value: 'missing', words: 'missing or cracked' },
  { value: 'none', words: 'this finder has none' },
] as const
const caps = [
  { value: 'yes', words: 'both there' },
  { value: 'no', words: 'one missing' },
] as const
const looks = [
  { value: 'inside', words: 'still in the view' },
  { value: 'outside', words: 'out of the view' },
] as const
const yesNo = (given: boolean | null) => (given === null ? null : given ? ('yes' as const) : ('no' as const))
const advice = computed(() => {
  const { frontCell, oRing, capsThere, atHighestPower } = now.value
  return [
    frontCell === 'blurred'
      ? 'Loosen the lock ring, screw the front cell until a far lamp is sharp, and lock it again.'
      : '',
    frontCell === 'loose' ? 'Lock the ring behind the front cell: its aim moves with it.' : '',
    oRing === 'missing' ? 'Without its ring it rocks in the bracket, and no aim holds: put a new one in.' : '',
    capsThere === false ? 'Mark the cap on the card: an open finder at the Sun burns like a lens.' : '',
    atHighestPower === 'outside' ? 'Line it up once more at the highest power that comes to focus.' : '',
  ].filter(Boolean)
})
</script>

<template>
  <section class="grid gap-6px">
    <h3 class="[font:italic_400_16px_var(--serif)] text-quiet">the finder itself</h3>
    <div class="row grid grid-cols-[repeat(auto-fit,minmax(min(180px,100%),1fr))] gap-8px">
      <ChoiceSelect
        :model-value="now.frontCell"
        :options="cells"
        label="its front cell"
        placeholder="its front cell"
        @update:model-value="set({ frontCell: $event })"
      />
      <ChoiceSelect
        :model-value="now.oRing"
        :options="rings"
        label="its O-ring"
        placeholder="its O-ring"
        @update:model-value="set({ oRing: $event })"
      />
      <ChoiceSelect
        :model-value="yesNo(now.capsThere)"
        :options="caps"
        label="its caps"
        placeholder="its caps"
        @update:model-value="set({ capsThere: $event === null ? null : $event === 'yes' })"
      />
      <ChoiceSelect
        :model-value="now.atHighestPower"
        :options="looks"
        label="at the highest power"
        placeholder="at the highest power"
        @update:model-value="set({ atHighestPower: $event })"
      />
    </div>
    <p v-for="each in advice" :key="each" class="rust">{{ each }}</p>
  </section>
</template>
