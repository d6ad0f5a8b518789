<script setup lang="ts">
import { drawStep, type DrawnKit, type StepDrawing } from '@binoculum/core'
import { computed, useId } from 'vue'

/** A step of this kit's set-up as a drawing, made from its model's own dimensions. Words stand beside it, not in it. */
const {
  kit,
  drawing,
  latitudeDeg = undefined,
  undo = false,
} = defineProps<{
  kit: DrawnKit
  drawing: StepDrawing
  /** Of the place where it will stand. */
  latitudeDeg?: number | undefined
  /** Taking apart. */
  undo?: boolean
}>()
const ids = useId()
const WIDTH = 358
const HEIGHT = 344
const drawn = computed(() => drawStep(kit, drawing, { latitudeDeg, undo }))
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" class="step-drawing" aria-hidden="true">
    <template v-for="(item, index) in drawn.items" :key="index">
      <path v-if="item.kind === 'path'" :d="item.d" :class="item.look" />
      <g v-else-if="item.kind === 'circle'">
        <circle :cx="item.x" :cy="item.y" :r="item.radiusPx" class="circle" />
        <clipPath :id="`${ids}-${index}`"><circle :cx="item.x" :cy="item.y" :r="item.radiusPx" /></clipPath>
        <g :clip-path="`url(#${ids}-${index})`">
          <path v-for="(inner, place) in item.items" :key="place" :d="inner.d" :class="inner.look" />
        </g>
        <circle :cx="item.x" :cy="item.y" :r="item.radiusPx" class="circle-rim" />
      </g>
      <text v-else :x="item.x" :y="item.y" :class="item.look">{{ item.text }}</text>
    </template>
  </svg>
</template>

<style scoped>
.step-drawing {
  display: block;
  width: 100%;
  max-width: 430px;
}

path {
  stroke-linejoin: round;
}

.outline {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.35;
}

.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.35;
}

.inner {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.7;
}

.recede {
  fill: var(--paper);
  stroke: var(--quiet);
  stroke-width: 0.95;
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

.figure {
  fill: var(--brass-text);
  font: 640 15px var(--sans);
}
</style>
