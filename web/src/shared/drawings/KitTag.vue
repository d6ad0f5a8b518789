<script setup lang="ts">
/** The paper tag on a kit's handle; carries the kit's code, nothing else. */
const { code } = defineProps<{ code: string }>()
const width = 26 + Math.min(code.length, 12) * 7.2
</script>

<template>
  <svg :width="width" height="20" :viewBox="`0 0 ${width} 20`" class="tag" role="img" :aria-label="`kit ${code}`">
    <path :d="`M6 .5H${width - 0.5}V19.5H6L.5 14V6Z`" />
    <circle cx="8" cy="10" r="1.6" />
    <text x="14" y="14.2">{{ code }}</text>
  </svg>
</template>

<style scoped>
.tag {
  flex: none;
  vertical-align: -4px;
}

path {
  fill: var(--card);
  stroke: var(--rule-strong);
}

circle {
  fill: none;
  stroke: var(--rule-strong);
}

text {
  fill: var(--ink);
  font: 640 12px var(--sans);
  letter-spacing: 0.3px;
}
</style>
