<script setup lang="ts">
import type { CaseSeen } from '@binoculum/contract'
import { computed } from 'vue'
import { useWords } from '../guide-language.ts'
import LookAnswer from './LookAnswer.vue'
import PhotoPick from '../PhotoPick.vue'
import { asBase64 } from './take-look.ts'
import { useLook } from './use-look.ts'

/** The open case before it goes back: which places differ, beside how it looked when it was complete. */
const { token } = defineProps<{ token: string }>()
const { say, sayPart } = useWords()
const { state, answer, take } = useLook(() => token)
async function taken(picture: Blob | null) {
  if (picture) await take({ kind: 'case', picture: await asBase64(picture) })
}
const seen = computed(() => answer.value?.caseSeen ?? null)
const shown = computed(() =>
  seen.value
    ? [
        { jpeg: seen.value.now, words: say('Your picture'), places: seen.value.places.filter(isTold) },
        { jpeg: seen.value.before, words: say('Here is how it looked when complete'), places: differing.value },
      ]
    : [],
)
const isTold = ({ verdict }: CaseSeen['places'][number]) => verdict !== 'same'
const differing = computed(() => (seen.value?.places ?? []).filter(({ verdict }) => verdict === 'different'))
const pointsOf = (outline: CaseSeen['places'][number]['outlineMm']) =>
  outline.map(({ x, y }) => `${x},${y}`).join(' ')
</script>

<template>
  <p>
    {{
      say('Straight from above, with all four corner marks in it. It is compared with how it looked when complete.')
    }}
  </p>
  <PhotoPick :label="say('Photo of the open case')" @taken="taken" />
  <LookAnswer :state="state" :answer="answer" />
  <figure v-for="each in shown" :key="each.words">
    <svg
      v-if="each.jpeg && seen"
      :viewBox="`0 0 ${seen.caseMm.width} ${seen.caseMm.height}`"
      role="img"
      :aria-label="each.words"
    >
      <image :href="`data:image/jpeg;base64,${each.jpeg}`" :width="seen.caseMm.width" :height="seen.caseMm.height" />
      <g v-for="place in each.places" :key="place.name" :class="place.verdict === 'different' ? 'differs' : 'unsure'">
        <title>{{ sayPart(place.name) }}</title>
        <polygon :points="pointsOf(place.outlineMm)" class="halo" />
        <polygon :points="pointsOf(place.outlineMm)" />
      </g>
    </svg>
    <figcaption>{{ each.words }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 12px 0;
}

figcaption {
  font: italic 400 16px var(--serif);
}

svg {
  display: block;
  width: 100%;
  border: 1px solid var(--rule-strong);
}

polygon {
  fill: none;
  stroke: #ff9a6b;
  stroke-width: 4;
}

.halo {
  stroke: rgb(20 22 26 / 75%);
  stroke-width: 8;
}

.unsure polygon:not(.halo) {
  stroke: #f3ead6;
  stroke-width: 2;
  stroke-dasharray: 6 6;
}
</style>
