<script setup lang="ts">
import type { LiesSo } from '@binoculum/core'
import SaidText from './SaidText.vue'
import { useWords } from './guide-language.ts'

/** The library’s own picture of how it lies when it is right. */
const { lies, token } = defineProps<{ lies: LiesSo | null | undefined; token: string }>()
const { say } = useWords()
/** Where a coordinator looks at the guide, there is no link. */
const address = (id: string) => (token ? `/g/${token}/pictures/${id}` : `/api/pictures/${id}`)
</script>

<template>
  <figure v-if="lies">
    <img :src="address(lies.pictureId)" :alt="say('So it lies when it is right')" loading="lazy" />
    <figcaption v-if="lies.words !== ''"><SaidText :said="lies.words" /></figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0 0 12px;
}

img {
  display: block;
  width: 100%;
  max-height: 320px;
  border-radius: 4px;
  object-fit: cover;
}

figcaption {
  margin-top: 4px;
  color: var(--quiet);
  font-size: 15px;
}

@media print {
  img {
    width: 70mm;
  }
}
</style>
