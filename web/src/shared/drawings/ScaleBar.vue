<script setup lang="ts">
import { computed } from 'vue'

/** A reading on its scale: the limit's tick always stands at two thirds of the way. `signed` is a difference: zero in the
 * middle, the limit on either side. */
const {
  value,
  limit,
  good = null,
  signed = false,
  width = 60,
  label,
} = defineProps<{
  value: number
  limit: number
  good?: number | null
  signed?: boolean
  width?: number
  label: string
}>()

/** Room for a dot or an arrow at either end. */
const END_PX = 4
const FAR = 1.5

const zeroX = computed(() => (signed ? width / 2 : 0))
const reachPx = computed(() => width - zeroX.value)
const tickPx = computed(() => (reachPx.value * 2) / 3)
const side = computed(() => (value < 0 ? -1 : 1))
const share = computed(() => (limit > 0 ? Math.abs(value) / limit : value === 0 ? 0 : Infinity))
const beyond = computed(() => share.value > 1)
const arrow = computed(() => share.value > FAR)
const at = (ofLimit: number, towards = side.value) => zeroX.value + towards * ofLimit * tickPx.value
const dotX = computed(() => zeroX.value + side.value * Math.min(share.value * tickPx.value, reachPx.value))
const endX = computed(() => zeroX.value + side.value * reachPx.value)
</script>

<template>
  <svg
    :width="width + 2 * END_PX"
    height="14"
    :viewBox="`${-END_PX} -7 ${width + 2 * END_PX} 14`"
    role="img"
    :aria-label="label"
    class="block"
  >
    <line :x2="width" class="line stroke-rule-strong stroke-1" />
    <line :x1="zeroX" :x2="zeroX" y1="-3" y2="3" class="stroke-1 stroke-quiet" />
    <line
      v-if="good !== null && limit > 0"
      :x1="at(good / limit)"
      :x2="at(good / limit)"
      y1="-3.5"
      y2="3.5"
      class="stroke-brass stroke-1.2"
    />
    <line v-if="beyond" :x1="at(1)" :x2="arrow ? endX - side * END_PX : dotX" class="over stroke-rust stroke-2.75" />
    <line
      v-for="towards in signed ? [-1, 1] : [1]"
      :key="towards"
      :x1="at(1, towards)"
      :x2="at(1, towards)"
      y1="-5.5"
      y2="5.5"
      class="limit stroke-brass stroke-1.9"
    />
    <path v-if="arrow" :d="`M${endX + side * 2} 0l${-side * 7} -3.6v7.2z`" class="head" />
    <circle v-else :cx="dotX" r="3.4" :class="beyond ? 'dot off' : 'dot'" />
  </svg>
</template>

<style scoped>
.head,
.dot.off {
  fill: var(--rust);
}

.dot {
  fill: var(--ink);
}
</style>
