<script setup lang="ts">
import { computed } from 'vue'
import { sharedWords } from '../words.ts'

const t = sharedWords('bigFigure')

/** The figure of the station, read from arm's length, with its limits on a ruled bar. */
const { value, limit, good, unit } = defineProps<{
  value: number | null
  limit: number
  /** Left out where there is one limit only. */
  good?: number
  unit: 'mm' | '′' | 's'
}>()
const WIDTH = 400
const at = (figure: number) => Math.min((figure / limit) * ((WIDTH * 2) / 3), WIDTH)
const off = computed(() => value !== null && value > limit)
/** A balance to the millimetre is all a hand can do; a mirror is measured finer. */
const digits = computed(() => (limit < 10 ? 1 : 0))
</script>

<template>
  <div class="big-figure" role="figure" :aria-label="t('measured')">
    <p :class="['number', { off }]">
      {{ value === null ? '–' : value.toFixed(digits)
      }}<span class="text-38px">{{ unit === '′' ? unit : ` ${unit}` }}</span>
    </p>
    <svg :viewBox="`-12 -22 ${WIDTH + 24} 52`" class="bar block w-full max-w-440px" aria-hidden="true">
      <line :x2="WIDTH" class="line stroke-quiet" />
      <line y1="-6" y2="6" class="line stroke-quiet" />
      <line v-if="good !== undefined" :x1="at(good)" :x2="at(good)" y1="-9" y2="9" class="stroke-brass stroke-1.6" />
      <line v-if="off && value !== null" :x1="at(limit)" :x2="at(value)" class="over stroke-rust stroke-6" />
      <line :x1="at(limit)" :x2="at(limit)" y1="-15" y2="15" class="limit stroke-brass stroke-3.4" />
      <circle v-if="value !== null" :cx="at(value)" r="9" :class="off ? 'dot off' : 'dot'" />
      <text
        v-if="good !== undefined"
        class="fill-brass-text [font:640_13px_var(--sans)] [text-anchor:middle]"
        :x="at(good)"
        y="27"
      >
        {{ t('good', { good: good.toFixed(digits) }) }}
      </text>
      <text class="fill-brass-text [font:640_13px_var(--sans)] [text-anchor:middle]" :x="at(limit)" y="27">
        {{ t('limit', { limit: limit.toFixed(digits) }) }}
      </text>
    </svg>
  </div>
</template>

<style scoped>
.big-figure {
  /* Its digits change at every frame of a live view, its size never. */
  contain: layout;
  width: 100%;
}

.number {
  font-size: 84px;
  font-weight: 660;
  line-height: 84px;
}

.number.off {
  color: var(--rust);
}

.dot {
  fill: var(--ink);
}

.dot.off {
  fill: var(--rust);
}
</style>
