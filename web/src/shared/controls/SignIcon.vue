<script setup lang="ts">
import { ArrowDown, ArrowRight, Camera, Check, Close, Download, Printer } from '@element-plus/icons-vue'

/** A small sign beside words, from the library's own set; it says nothing by itself. */
const { name } = defineProps<{ name: keyof typeof signs }>()
const signs = {
  camera: Camera,
  done: Check,
  folded: ArrowRight,
  print: Printer,
  remove: Close,
  save: Download,
  unfolded: ArrowDown,
} as const
</script>

<template>
  <ElIcon aria-hidden="true"><component :is="signs[name]" /></ElIcon>
</template>
