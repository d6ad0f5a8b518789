<script setup lang="ts">
import { plain, type HelpSheet } from '@binoculum/core'
import { computed } from 'vue'
import CellDrawing from '../shared/drawings/CellDrawing.vue'
import PeepholePicture from '../shared/drawings/PeepholePicture.vue'
import { useWords } from './guide-language.ts'
import SaidText from './SaidText.vue'

/** How to line up one kit's mirror, with its own drawings: on paper for the lid, and in its borrower's guide. */
const { sheet } = defineProps<{ sheet: HelpSheet }>()
const { say } = useWords()

/** A picture of a telescope that is off, to the upper right, so that the steps have something to show. */
const off = computed(() => ({
  axisErrorMm: { x: sheet.shownErrorMm * Math.SQRT1_2, y: sheet.shownErrorMm * Math.SQRT1_2 },
  secondaryErrorMm: { x: 0, y: 0 },
}))
const square = { axisErrorMm: { x: 0, y: 0 }, secondaryErrorMm: { x: 0, y: 0 } }
</script>

<template>
  <div class="help-sheet">
    <p class="caution"><SaidText :said="sheet.caution" /></p>
    <div class="pictures">
      <figure>
        <PeepholePicture aria-hidden="true" :tube="sheet.tube" :alignment="off" :screws="sheet.screws" />
        <figcaption>{{ say('off: the mark lies beside the hole') }}</figcaption>
      </figure>
      <figure>
        <PeepholePicture aria-hidden="true" :tube="sheet.tube" :alignment="square" :screws="sheet.screws" />
        <figcaption>{{ say('right: the hole sits in the mark’s middle') }}</figcaption>
      </figure>
      <figure>
        <CellDrawing aria-hidden="true" :screws="sheet.screws" :locks="sheet.locks" />
        <figcaption>{{ say('the back of the tube, focuser’s side up') }}</figcaption>
      </figure>
    </div>
    <ol>
      <li v-for="step in sheet.steps" :key="plain(step)"><SaidText :said="step" /></li>
    </ol>
  </div>
</template>

<style scoped>
.caution {
  margin: 12px 0;
  padding: 8px 12px;
  border: 2px solid currentcolor;
}

.pictures {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 16px;
  margin: 12px 0;
}

figure {
  max-width: 260px;
  margin: 0;
}

figcaption {
  font: italic 400 16px var(--serif);
}

ol {
  margin: 0;
  padding-left: 22px;
}

li {
  margin-bottom: 8px;
}
</style>
