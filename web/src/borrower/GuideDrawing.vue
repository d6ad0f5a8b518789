<script setup lang="ts">
import type { DrawnKit, StepDrawing as Drawing } from '@binoculum/core'
import { onMounted, onUnmounted, ref, useTemplateRef } from 'vue'
import StepDrawing from '../shared/drawings/StepDrawing.vue'
import { drawInTurn } from './draw-in-turn.ts'
import { useWords } from './guide-language.ts'

/** The step's drawing comes once the page lives: words are served and painted first. What is in view is drawn at once,
 * the others in their turn, and all of them when printing begins, which waits for nothing: so what draws them comes with the
 * page. Their room is kept. */
defineProps<{
  guide: { readonly drawn: DrawnKit | null; readonly place: { readonly latitudeDeg: number } | null }
  drawing: Drawing
  undo: boolean
}>()
const { say } = useWords()
const room = useTemplateRef<HTMLElement>('room')
const drawn = ref(false)
let leave: (() => void)[] = []
function draw() {
  drawn.value = true
  leave.forEach((each) => each())
  leave = []
}
onMounted(() => {
  const seen = new IntersectionObserver((entries) => entries.some(({ isIntersecting }) => isIntersecting) && draw())
  if (room.value) seen.observe(room.value)
  window.addEventListener('beforeprint', draw)
  leave = [drawInTurn(draw), () => seen.disconnect(), () => window.removeEventListener('beforeprint', draw)]
})
onUnmounted(() => leave.forEach((each) => each()))
</script>

<template>
  <div ref="room" class="room">
    <StepDrawing
      v-if="drawn && guide.drawn"
      :kit="guide.drawn"
      :drawing="drawing"
      :undo="undo"
      :latitude-deg="guide.place?.latitudeDeg"
      :say="(words: string) => say(words)"
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
