<script setup lang="ts">
import type { RemoteLookAnswer } from '@binoculum/contract'
import { useWords } from '../guide-language.ts'
import type { Taken } from './take-look.ts'

/** What a look from home came to, in the borrower's language: first what it means tonight. */
const { state, answer } = defineProps<{ state: 'no' | 'sending' | Taken['state']; answer: RemoteLookAnswer | null }>()
const { say, sayPart } = useWords()

const saidWith = ({ sentence, variables }: RemoteLookAnswer['lines'][number]) => {
  const { parts } = variables
  if (typeof parts !== 'string') return say(sentence, variables)
  return say(sentence, { parts: parts.split(', ').map(sayPart).join(', ') })
}
</script>

<template>
  <p v-if="state === 'sending'" role="status">{{ say('Measuring …') }}</p>
  <p v-else-if="state === 'offline'" role="alert">
    {{ say('This needs a network. Try again when you are online.') }}
  </p>
  <p v-else-if="state === 'unreadable'" role="alert">{{ say('This picture can’t be used. Take another one.') }}</p>
  <p v-else-if="state === 'refused'" role="alert">{{ say('That didn’t go. Ring the library instead.') }}</p>
  <div v-else-if="answer" role="status" class="answer" :class="answer.meaning">
    <p class="title">{{ say('What that means') }}</p>
    <p v-for="(line, index) in answer.lines" :key="index">{{ saidWith(line) }}</p>
    <p v-if="answer.meaning !== 'unreadable'" class="second">{{ say('The library has it too.') }}</p>
  </div>
</template>

<style scoped>
.answer {
  margin-top: 12px;
  padding: 8px 12px;
  border-left: 4px solid var(--brass);
  background: var(--card);
}

.off {
  border-color: var(--rust);
}

.good {
  border-color: var(--ink);
}

p {
  margin: 4px 0;
}

.title {
  margin: 0;
  font: italic 400 20px var(--serif);
}
</style>
