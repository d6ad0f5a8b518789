<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import type { StepDrawing as Drawing } from '@binoculum/core'
import { defineAsyncComponent, onMounted, ref } from 'vue'
import { useWords } from './guide-language.ts'

/** The step's drawing comes once the page lives: words are served and painted first. Its room is kept. */
const { say } = useWords()
defineProps<{ guide: IssuedGuide; drawing: Drawing; undo: boolean }>()
const StepDrawing = defineAsyncComponent(() => import('../shared/drawings/StepDrawing.vue'))
const lives = ref(false)
onMounted(() => (lives.value = true))
</script>

<template>
  <div class="room">
    <StepDrawing
      v-if="lives && guide.drawn"
      :kit="guide.drawn"
      :drawing="drawing"
      :undo="undo"
      :latitude-deg="guide.place?.latitudeDeg"
      :say="(words) => say(words)"
    />
  </div>
</template>

<style scoped>
.room {
  width: 100%;
  max-width: 430px;
  margin: 0 auto 12px;
  aspect-ratio: 358 / 344;
}
</style>
