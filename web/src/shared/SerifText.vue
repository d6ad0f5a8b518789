<script setup lang="ts">
import { computed } from 'vue'

/** A sentence in the serif with its figures in the sans: the serif's 1 reads as I. */
const { text } = defineProps<{ text: string }>()
const pieces = computed(() => text.split(/(\d[\d./′×°]*)/).map((piece) => ({ piece, figure: /^\d/.test(piece) })))
</script>

<template>
  <span class="serif"
    ><template v-for="({ piece, figure }, index) in pieces" :key="index"
      ><span v-if="figure" class="figure">{{ piece }}</span
      ><template v-else>{{ piece }}</template></template
    ></span
  >
</template>
