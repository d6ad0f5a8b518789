<script setup lang="ts">
import { computed } from 'vue'

/** A quarter circle from the horizon to overhead, and the arm that points at the target. */
const { altitudeDeg } = defineProps<{ altitudeDeg: number; label: string }>()
const arm = computed(() => {
  const h = (altitudeDeg * Math.PI) / 180
  const at = (r: number) => ({ x: 6 + r * Math.cos(h), y: 50 - r * Math.sin(h) })
  return { end: at(44), from: at(20) }
})
</script>

<template>
  <figure>
    <svg viewBox="0 0 64 58" aria-hidden="true">
      <path d="M50 50A44 44 0 0 0 6 6" class="rim" />
      <path d="M2 50H60" class="ground" />
      <path :d="`M26 50A20 20 0 0 0 ${arm.from.x} ${arm.from.y}`" class="turn" />
      <path :d="`M6 50L${arm.end.x} ${arm.end.y}`" class="arm" />
      <circle :cx="arm.end.x" :cy="arm.end.y" r="4.4" />
      <circle cx="6" cy="50" r="2.4" />
    </svg>
    <figcaption>{{ label }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  text-align: center;
}

figcaption {
  font-size: 13px;
  line-height: 16px;
}

path {
  fill: none;
}

.rim,
.ground {
  stroke: var(--rule-strong);
}

.turn {
  stroke: var(--brass);
  stroke-width: 1.6;
}

.arm {
  stroke: var(--night);
  stroke-width: 2;
}

circle {
  fill: var(--night);
}
</style>
