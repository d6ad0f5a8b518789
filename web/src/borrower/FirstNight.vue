<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import { guideDate, plain } from '@binoculum/core'
import { computed } from 'vue'
import { textOf } from './guide-pages.ts'
import { useWords } from './guide-language.ts'
import SaidText from './SaidText.vue'
import { useFirstNight } from './use-first-night.ts'

/** One question after an evening: what did you see? Told without a name, it helps those who borrow this kind next. */
const { guide, token } = defineProps<{ guide: IssuedGuide; token: string }>()
const { say, language } = useWords()
const { night, answerOf, answer, stop, state, send, isEmpty } = useFirstNight(guide, token)
const text = computed(() => textOf(guide, language.value))
/** Few enough to go through while the tea cools. */
const MOST = 8
const targets = computed(() => night.value?.targets.slice(0, MOST) ?? [])
const others = computed(() => [
  { key: 'finding', words: say('I couldn’t find anything') },
  { key: 'focus', words: say('It never got sharp') },
  { key: 'clouds', words: say('Clouds came') },
])
</script>

<template>
  <p v-if="state === 'sent'" role="status" class="moss">
    <b>{{ say('Thank you. It helps those who borrow one like it next.') }}</b>
  </p>
  <details v-else-if="night" class="first-night screen-only">
    <summary>{{ say('What did you see on {date}?', { date: guideDate(night.date, language) }) }}</summary>
    <p class="second">{{ say('One question, and nobody is told who answered.') }}</p>
    <ul>
      <li v-for="{ id } in targets" :key="id">
        <span :id="`told-${id}`"
          ><SaidText v-if="text.targets[id]" :said="text.targets[id]?.name ?? ''" /><template v-else>{{
            id
          }}</template></span
        >
        <span role="group" :aria-labelledby="`told-${id}`" class="two">
          <button type="button" :aria-pressed="answerOf(id) === 'saw'" @click="answer(id, 'saw')">
            {{ say('Saw it') }}
          </button>
          <button type="button" :aria-pressed="answerOf(id) === 'not'" @click="answer(id, 'not')">
            {{ say('Couldn’t find it') }}
          </button>
        </span>
      </li>
    </ul>
    <label class="labelled">
      <span>{{ say('Did something end it?') }}</span>
      <select v-model="stop" class="field">
        <option :value="null">{{ say('No, it went well') }}</option>
        <option v-for="step in text.setUp" :key="step.key" :value="step.key">
          {{ say('Stuck at: {step}', { step: plain(step.title) }) }}
        </option>
        <option v-for="each in others" :key="each.key" :value="each.key">{{ each.words }}</option>
      </select>
    </label>
    <p v-if="state === 'failed'" role="alert">{{ say('That didn’t go. Try again when you are online.') }}</p>
    <button
      type="button"
      class="button main"
      :disabled="(isEmpty && stop === null) || state === 'sending'"
      @click="send"
    >
      {{ say('Tell the library') }}
    </button>
  </details>
</template>

<style scoped>
.first-night {
  margin: 14px 0;
  padding: 4px 12px 12px;
  border: 1px solid var(--rule-strong);
  border-radius: 6px;
}

summary {
  min-height: 44px;
  padding: 10px 0;
  font-weight: 640;
}

ul {
  margin: 0 0 12px;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  justify-content: space-between;
  padding: 6px 0;
}

.two {
  display: flex;
  gap: 6px;
}

li button {
  min-height: 44px;
  padding: 4px 12px;
  border: 1px solid var(--rule-strong);
  border-radius: 6px;
  background: var(--card);
  color: var(--ink);
  font: inherit;
  font-size: 15px;
}

li button[aria-pressed='true'] {
  border-color: var(--night);
  box-shadow: inset 0 0 0 2px var(--night);
}

.field {
  width: 100%;
  min-height: 44px;
}

.button {
  width: 100%;
  min-height: 52px;
  margin-top: 10px;
}
</style>
