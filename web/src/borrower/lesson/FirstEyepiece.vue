<script setup lang="ts">
import { mixed, plain, type Said } from '@binoculum/core'
import { computed, ref } from 'vue'
import { useWords } from '../guide-language.ts'
import SaidText from '../SaidText.vue'

/** Which eyepiece one begins with: the one of the lowest power, which stands first. */
const { eyepieces, seed } = defineProps<{ eyepieces: readonly Said[]; seed: string }>()
const emit = defineEmits<{ answered: [] }>()
const { say } = useWords()
const offered = computed(() => mixed(eyepieces, seed))
const chosen = ref<string | null>(null)
const right = computed(() => plain(eyepieces[0] ?? ''))
function choose(name: Said) {
  chosen.value = plain(name)
  emit('answered')
}
</script>

<template>
  <section>
    <h2>{{ say('Which eyepiece first?') }}</h2>
    <ul class="answers">
      <li v-for="name in offered" :key="plain(name)">
        <button type="button" class="answer" :aria-pressed="chosen === plain(name)" @click="choose(name)">
          <SaidText :said="name" />
        </button>
      </li>
    </ul>
    <p v-if="chosen !== null" role="status" :class="chosen === right ? 'moss' : 'rust'">
      <b>{{
        chosen === right
          ? say('Right. It shows the most sky, so things are easy to find.')
          : say('Not yet: begin with {name}. It shows the most sky, so things are easy to find.', {
              name: right,
            })
      }}</b>
    </p>
  </section>
</template>
