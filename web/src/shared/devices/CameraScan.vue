<script setup lang="ts">
import { onMounted, onScopeDispose, ref, useTemplateRef } from 'vue'
import { cameraScanner } from './camera-scanner.ts'
import { scanned } from './scanner.ts'
import { sharedWords } from '../words.ts'

const t = sharedWords('cameraScan')

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
  <figure class="m-0">
    <video
      ref="video"
      class="block w-full max-w-420px [aspect-ratio:4_/_3] line-rule-strong rd-4px bg-deep [object-fit:cover]"
      muted
      playsinline
      :aria-label="t('pictureOfTheCamera')"
    ></video>
    <figcaption v-if="trouble" class="rust" role="alert">{{ trouble }}</figcaption>
    <figcaption v-else class="second">{{ t('holdALabelOfA') }}</figcaption>
  </figure>
</template>
