<script setup lang="ts">
/** What is compared: the secondary's back, the cap with its hole, and the mark. Stands in the view and in its loupe, drawn
 * twice: a shared symbol is built anew by the browser at every change, which costs a live view most of its time. */
defineProps<{
  silhouette: string
  centre: { readonly x: number; readonly y: number }
  capMm: number
  holeMm: number
  mark: string
}>()
</script>

<template>
  <g>
    <path :d="silhouette" class="dark" />
    <circle :cx="centre.x" :cy="centre.y" :r="capMm" class="cap" />
    <circle :cx="centre.x" :cy="centre.y" :r="holeMm" class="hole" />
    <path v-if="mark" :d="mark" class="mark" />
  </g>
</template>

<style scoped>
.dark {
  fill: #24384f;
}

.cap {
  fill: #ccd3d6;
}

.hole {
  fill: #0a1420;
}

.mark {
  fill: #dc9a2e;
  fill-rule: evenodd;
}
</style>
