<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import FeelScale from './GuideFeel.vue'
import GuideDrawing from './GuideDrawing.vue'
import LiesSo from './LiesSo.vue'
import SaidText from './SaidText.vue'
import type { Step } from './guide-pages.ts'
import { useWords } from './guide-language.ts'

/** One step: its drawing, what to do, how tight, and what can go wrong. */
defineProps<{ step: Step; guide: IssuedGuide; token: string }>()
const { say } = useWords()
</script>

<template>
  <div class="kit-step">
    <GuideDrawing v-if="step.drawing && guide.drawn" :guide="guide" :drawing="step.drawing" :undo="step.undo" />
    <div>
      <ol>
        <li v-for="(line, index) in step.lines" :key="index"><SaidText :said="line" /></li>
      </ol>
      <LiesSo :lies="step.lies" :token="token" />
      <template v-if="step.feel">
        <p class="until">{{ say('Turn until:') }}</p>
        <FeelScale :feel="step.feel" />
      </template>
      <p v-if="step.caution" role="note" class="caution"><SaidText :said="step.caution" /></p>
    </div>
  </div>
</template>

<style scoped>
ol {
  margin: 0 0 14px;
  padding: 0;
  list-style: none;
  counter-reset: line;
}

li {
  position: relative;
  padding: 5px 0 5px 26px;
  counter-increment: line;
}

li::before {
  content: counter(line);
  position: absolute;
  left: 2px;
  color: var(--quiet);
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
}

.caution::first-line {
  color: var(--rust);
  font-weight: 640;
}

@media print {
  .kit-step {
    display: grid;
    grid-template-columns: 60mm minmax(0, 1fr);
    gap: 8mm;
    align-items: start;
  }

  .caution {
    border: 2px solid #000;
  }

  .caution::first-line {
    color: #000;
  }
}
</style>
