<script setup lang="ts">
import { onMounted, onScopeDispose, ref, useTemplateRef } from 'vue'
import { cameraScanner } from './camera-scanner.ts'
import { scanned } from './scanner.ts'

/** The camera's picture, while it looks for a label. */
const emit = defineEmits<{ read: [] }>()
const video = useTemplateRef('video')
const trouble = ref<string | null>(null)
let stop: (() => void) | null = null
let isGone = false

onMounted(async () => {
  if (!video.value) return
  try {
    stop = await cameraScanner(video.value, (code) => {
      emit('read')
      scanned(code)
    })
    if (isGone) stop()
  } catch (error) {
    trouble.value = error instanceof Error ? error.message : String(error)
  }
})
onScopeDispose(() => {
  isGone = true
  stop?.()
})
</script>

<template>
  <figure class="camera">
    <video ref="video" muted playsinline aria-label="Picture of the camera"></video>
    <figcaption v-if="trouble" class="rust" role="alert">{{ trouble }}</figcaption>
    <figcaption v-else class="second">Hold a label of a kit or a part before the camera. Nothing is kept.</figcaption>
  </figure>
</template>

<style scoped>
.camera {
  margin: 0;
}

video {
  display: block;
  width: 100%;
  max-width: 420px;
  aspect-ratio: 4 / 3;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--deep);
  object-fit: cover;
}
</style>
