<script setup lang="ts">
import type { Said } from '@binoculum/core'
import { ref, watch } from 'vue'
import { useWords } from '../guide-language.ts'
import SaidText from '../SaidText.vue'

/** What is fine with this kit, and what must never be done. */
const { acts } = defineProps<{
  acts: readonly { readonly key: string; readonly act: Said; readonly never: boolean; readonly why: Said }[]
}>()
const emit = defineEmits<{ answered: [] }>()
const { say } = useWords()
const said = ref<Readonly<Record<string, boolean>>>({})
watch(said, (now) => Object.keys(now).length === acts.length && emit('answered'))
const answer = (key: string, never: boolean) => (said.value = { ...said.value, [key]: never })
const verdict = (never: boolean, isRight: boolean) =>
  isRight ? say('Right.') : never ? say('No, never.') : say('That one is fine.')
</script>

<template>
  <section>
    <h2>{{ say('Fine, or never?') }}</h2>
    <ul class="answers">
      <li v-for="{ key, act, never, why } in acts" :key="key" class="act">
        <p :id="`act-${key}`"><SaidText :said="act" /></p>
        <div class="two" role="group" :aria-labelledby="`act-${key}`">
          <button type="button" class="answer" :aria-pressed="said[key] === false" @click="answer(key, false)">
            {{ say('Fine') }}
          </button>
          <button type="button" class="answer" :aria-pressed="said[key] === true" @click="answer(key, true)">
            {{ say('Never') }}
          </button>
        </div>
        <p v-if="key in said" role="status" :class="said[key] === never ? 'moss' : 'rust'">
          <b>{{ verdict(never, said[key] === never) }}</b> <SaidText :said="why" />
        </p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.act {
  padding: 8px 0;
}

.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  margin: 6px 0;
}

.two .answer {
  justify-content: center;
}
</style>
