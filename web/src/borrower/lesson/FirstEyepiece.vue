<script setup lang="ts">
import { mixed } from '@binoculum/core'
import { computed, ref } from 'vue'
import { useWords } from '../guide-language.ts'

/** Which eyepiece one begins with: the one of the lowest power, which stands first. */
const { eyepieces, seed } = defineProps<{ eyepieces: readonly string[]; seed: string }>()
const emit = defineEmits<{ answered: [] }>()
const { say } = useWords()
const offered = computed(() => mixed(eyepieces, seed))
const chosen = ref<string | null>(null)
function choose(name: string) {
  chosen.value = name
  emit('answered')
}
</script>

<template>
  <section>
    <h2>{{ say('Which eyepiece first?') }}</h2>
    <ul class="answers">
      <li v-for="name in offered" :key="name">
        <button type="button" class="answer" :aria-pressed="chosen === name" @click="choose(name)">{{ name }}</button>
      </li>
    </ul>
    <p v-if="chosen !== null" role="status" :class="chosen === eyepieces[0] ? 'moss' : 'rust'">
      <b>{{
        chosen === eyepieces[0]
          ? say('Right. It shows the most sky, so things are easy to find.')
          : say('Not yet: begin with {name}. It shows the most sky, so things are easy to find.', {
              name: eyepieces[0] ?? '',
            })
      }}</b>
    </p>
  </section>
</template>
