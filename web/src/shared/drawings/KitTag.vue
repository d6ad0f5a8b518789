<script setup lang="ts">
import { sharedWords } from '../words.ts'

const t = sharedWords('kitTag')
/** The paper tag on a kit's handle; carries the kit's code, nothing else. */
const { code } = defineProps<{ code: string }>()
const width = 26 + Math.min(code.length, 12) * 7.2
</script>

<template>
  <svg
    :width="width"
    height="20"
    :viewBox="`0 0 ${width} 20`"
    class="flex-none overflow-visible [vertical-align:-4px]"
    role="img"
    :aria-label="t('kitCode', { code })"
  >
    <path class="fill-card stroke-rule-strong" :d="`M6 .5H${width - 0.5}V19.5H6L.5 14V6Z`" />
    <circle class="fill-none stroke-rule-strong" cx="8" cy="10" r="1.6" />
    <text class="fill-ink [font:640_12px_var(--sans)] [letter-spacing:0.3px]" x="14" y="14.2">{{ code }}</text>
  </svg>
</template>
