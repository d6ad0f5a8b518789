<script setup lang="ts">
import type { Printed } from '@binoculum/contract'
import { sharedWords } from '../words.ts'

const t = sharedWords('printedSheet')

/** A printed page on the screen, item by item as in the PDF, in millimetres. */
const { page } = defineProps<{ page: Printed['pages'][number] }>()

type Item = Printed['pages'][number]['items'][number]
const fonts = {
  serif: '400 1px var(--serif)',
  'serif-italic': 'italic 400 1px var(--serif)',
  sans: '400 1px var(--sans)',
  'sans-bold': '700 1px var(--sans)',
} as const
const fills = { none: 'none', black: '#000', grey: '#f0f0f0', white: '#fff' } as const
const styleOf = (item: Extract<Item, { kind: 'text' }>) => ({ font: fonts[item.font], fontSize: `${item.sizeMm}px` })
const stroke = (mm: number) => (mm > 0 ? '#000' : 'none')
</script>

<template>
  <svg
    class="sheet block w-full line-rule-strong [background:#fff]"
    :viewBox="`0 0 ${page.widthMm} ${page.heightMm}`"
    :style="{ '--width': `${page.widthMm}mm`, '--height': `${page.heightMm}mm` }"
    role="img"
    :aria-label="t('pageAsItIsPrinted')"
  >
    <template v-for="(item, index) in page.items" :key="index">
      <text
        v-if="item.kind === 'text'"
        class="[fill:#000] whitespace-pre"
        :x="item.x"
        :y="item.y"
        :text-anchor="item.anchor"
        :style="styleOf(item)"
      >
        {{ item.text }}
      </text>
      <line
        v-else-if="item.kind === 'line'"
        :x1="item.x1"
        :y1="item.y1"
        :x2="item.x2"
        :y2="item.y2"
        stroke="#000"
        :stroke-width="item.strokeMm"
      />
      <rect
        v-else-if="item.kind === 'rect'"
        :x="item.x"
        :y="item.y"
        :width="item.width"
        :height="item.height"
        :rx="item.radius"
        :fill="fills[item.fill]"
        :stroke="stroke(item.strokeMm)"
        :stroke-width="item.strokeMm"
      />
      <circle
        v-else-if="item.kind === 'circle'"
        :cx="item.x"
        :cy="item.y"
        :r="item.r"
        :fill="fills[item.fill]"
        :stroke="stroke(item.strokeMm)"
        :stroke-width="item.strokeMm"
      />
      <path
        v-else
        :d="item.d"
        :transform="`translate(${item.x} ${item.y}) scale(${item.scaleX} ${item.scaleY})`"
        :fill="fills[item.fill]"
        :stroke="stroke(item.strokeMm)"
        :stroke-width="item.strokeMm / item.scaleX"
        :shape-rendering="item.fill === 'black' ? 'crispEdges' : undefined"
      />
    </template>
  </svg>
</template>

<style scoped>
@media print {
  .sheet {
    width: var(--width);
    height: var(--height);
    border: 0;
    break-after: page;
  }
}
</style>
