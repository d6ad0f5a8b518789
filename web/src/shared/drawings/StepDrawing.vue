<script setup lang="ts">
import { drawStep, type DrawnKit, type DrawnLabel, type StepDrawing } from '@binoculum/core'
import { computed, useId } from 'vue'

/** A step of this kit's set-up as a drawing, made from its model's own dimensions. Words stand beside it, not in it. */
const {
  kit,
  drawing,
  latitudeDeg = undefined,
  undo = false,
  say = (words: string) => words,
} = defineProps<{
  kit: DrawnKit
  drawing: StepDrawing
  /** Of the place where it will stand. */
  latitudeDeg?: number | undefined
  /** Taking apart. */
  undo?: boolean
  /** Says the words beside it in the page's language. */
  say?: (words: string) => string
}>()
const ids = useId()
const WIDTH = 358
const HEIGHT = 344
const percent = (px: number, of: number) => `${((px / of) * 100).toFixed(2)}%`
/** A slot beside the drawing: from its left edge, or up to its right one. */
const slotOf = ({ x, y, edge }: DrawnLabel) => ({
  top: percent(y, HEIGHT),
  ...(edge === 'left' ? { left: percent(x, WIDTH) } : { right: percent(WIDTH - x, WIDTH) }),
})
const drawn = computed(() => drawStep(kit, drawing, { latitudeDeg, undo }))
</script>

<template>
  <div class="step-drawing" :data-drawing="drawing">
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" aria-hidden="true">
      <template v-for="(item, index) in drawn.items" :key="index">
        <path v-if="item.kind === 'path'" :d="item.d" :class="item.look" />
        <g v-else-if="item.kind === 'circle'">
          <circle :cx="item.x" :cy="item.y" :r="item.radiusPx" class="circle" />
          <clipPath :id="`${ids}-${index}`"><circle :cx="item.x" :cy="item.y" :r="item.radiusPx" /></clipPath>
          <g :clip-path="`url(#${ids}-${index})`">
            <template v-for="(inner, place) in item.items" :key="place">
              <path v-if="inner.kind === 'path'" :d="inner.d" :class="inner.look" />
              <text v-else :x="inner.x" :y="inner.y" :class="inner.look">{{ inner.text }}</text>
            </template>
          </g>
          <circle :cx="item.x" :cy="item.y" :r="item.radiusPx" class="circle-rim" />
        </g>
        <text v-else :x="item.x" :y="item.y" :class="item.look">{{ item.text }}</text>
      </template>
      <template v-for="{ words, leader } in drawn.labels" :key="words">
        <template v-if="leader">
          <path :d="`M${leader[0].join(' ')}L${leader[1].join(' ')}`" class="word-leader" />
          <circle :cx="leader[1][0]" :cy="leader[1][1]" r="2" class="word-dot" />
        </template>
      </template>
    </svg>
    <span
      v-for="label in drawn.labels"
      :key="label.words"
      class="word"
      :class="[label.edge, { wide: !label.leader }]"
      :style="slotOf(label)"
      >{{ say(label.words) }}</span
    >
  </div>
</template>

<style scoped src="./drawn-lines.css"></style>
<style scoped>
.step-drawing {
  position: relative;
  width: 100%;
  max-width: 430px;
}

svg {
  display: block;
  width: 100%;
}

/* Words are text of the page: they grow with it, and are read aloud. */
.word {
  position: absolute;
  width: max-content;
  max-width: 26%;
  color: var(--ink);
  font: 400 13px/16px var(--sans);
  text-wrap: balance;
  transform: translateY(-50%);
}

.word.wide {
  max-width: 50%;
}

.word.right {
  text-align: right;
}

.word-leader {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.7;
}

.word-dot {
  fill: var(--ink);
}

path {
  stroke-linejoin: round;
}

.outline,
.recede {
  fill: var(--paper);
}

.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.35;
}

.fill {
  fill: var(--part);
  stroke: var(--part-edge);
  stroke-width: 1.35;
}

.person {
  fill: none;
  stroke: var(--person);
  stroke-width: 0.95;
}

.bright {
  fill: var(--card);
  stroke: var(--part-edge);
}

.fill-inner {
  fill: none;
  stroke: var(--fill-inner);
  stroke-width: 0.7;
}

.next,
.next-on-fill {
  fill: none;
  stroke: var(--next);
  stroke-dasharray: 5 4;
  stroke-width: 1.2;
}

.move {
  fill: none;
  stroke: var(--brass);
  stroke-width: 2.4;
}

.move-head {
  fill: var(--brass);
}

.axis {
  fill: none;
  stroke: var(--brass);
  stroke-dasharray: 9 3 1.5 3;
  stroke-width: 0.9;
}

.leader {
  fill: none;
  stroke: var(--brass);
  stroke-width: 1;
}

.circle {
  fill: var(--card);
}

.circle-rim {
  fill: none;
  stroke: var(--brass);
  stroke-width: 1.8;
}

.ground {
  stroke: var(--rule-strong);
  stroke-width: 1.2;
}

.open {
  fill: var(--open);
  stroke: var(--ink);
  stroke-width: 1.1;
}

.hatch,
.felt {
  fill: none;
  stroke: var(--hatch);
  stroke-width: 0.8;
}

.felt {
  stroke-width: 2.4;
}

.so {
  fill: none;
  stroke: var(--graphite);
  stroke-width: 2.4;
}

.not-so {
  fill: none;
  stroke: var(--rust);
  stroke-width: 2.6;
}

text {
  dominant-baseline: central;
}

.figure {
  fill: var(--brass-text);
  font: 640 15px var(--sans);
}

.scale {
  fill: var(--ink);
  font: 640 9px var(--sans);
  text-anchor: middle;
}

.on-fill {
  fill: var(--card);
  font: 640 12px var(--sans);
  text-anchor: middle;
}
</style>
