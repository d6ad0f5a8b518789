<script setup lang="ts">
import { isEnglish, plain, type Said } from '@binoculum/core'
import { computed } from 'vue'
import { useWords } from './guide-language.ts'

/** A sentence in the page's language; where it is still English, that is seen and heard. */
const { said } = defineProps<{ said: Said }>()
const { language } = useWords()
const foreign = computed(() => isEnglish(said) && language.value !== 'en')
</script>

<template>
  <span v-if="foreign" lang="en" class="foreign">{{ plain(said) }}</span><template v-else>{{ plain(said) }}</template>
</template>

<style scoped>
.foreign {
  border-bottom: 1px dashed var(--rule-strong);
  font-style: italic;
}
</style>
