<script setup lang="ts">
import { useWords } from './guide-language.ts'

/** What was written without a network and the library didn't take afterwards: nothing is dropped without a word. */
defineProps<{ words: readonly string[] }>()
defineEmits<{ done: [] }>()
const { say } = useWords()
</script>

<template>
  <section class="refused screen-only" role="alert">
    <p>{{ say('The library could not take what you wrote. Ring them and tell them:') }}</p>
    <p v-for="(each, index) in words" :key="index">
      <strong>{{ each }}</strong>
    </p>
    <button type="button" class="tool" @click="$emit('done')">{{ say('I have told them') }}</button>
  </section>
</template>

<style scoped>
.refused {
  display: grid;
  gap: 8px;
  margin: 8px 0;
  padding: 12px;
  border: 2px solid var(--rust);
  border-radius: 4px;
}
</style>
