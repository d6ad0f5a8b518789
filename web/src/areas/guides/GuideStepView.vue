<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import FeelScale from './FeelScale.vue'

defineProps<{ step: IssuedGuide['setUp'][number] }>()
</script>

<template>
  <ol class="lines">
    <li v-for="line in step.lines" :key="line">{{ line }}</li>
  </ol>
  <template v-if="step.feel">
    <p class="until">Turn until:</p>
    <FeelScale :feel="step.feel" />
  </template>
  <p v-if="step.caution" class="caution">{{ step.caution }}</p>
</template>

<style scoped>
.lines {
  margin: 0 0 16px;
  padding: 0;
  list-style: none;
  counter-reset: line;
}

.lines li {
  position: relative;
  padding: 5px 0 5px 26px;
  font-size: 17px;
  line-height: 24px;
  counter-increment: line;
}

.lines li::before {
  content: counter(line);
  position: absolute;
  left: 2px;
  color: var(--quiet);
  font: 400 16px/24px var(--sans);
}

.until {
  margin-bottom: 6px;
  color: var(--quiet);
}

.caution {
  margin-top: 14px;
  padding: 12px 14px;
  border: 1px solid var(--rust);
  border-radius: 4px;
  background: var(--card);
  font-size: 16px;
  line-height: 22px;
}

.caution::first-line {
  color: var(--rust);
  font-weight: 640;
}
</style>
