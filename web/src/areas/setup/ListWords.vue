<script setup lang="ts">
import type { ListPreview } from '@binoculum/contract'
import { MATCHED_FROM, roles } from '@binoculum/core'
import { computed, ref } from 'vue'
import { setupWords } from './words.ts'

const t = setupWords('listWords')

/** The list's words and our parts, the doubtful ones first, each with how surely they go together. */
const { words } = defineProps<{ words: ListPreview['words'] }>()

const FIRST = 8
const all = ref(false)
const matched = computed(
  () => words.filter(({ confidence, decided }) => decided || confidence >= MATCHED_FROM).length,
)
const ordered = computed(() => [...words].sort((a, b) => a.confidence - b.confidence))
const shown = computed(() => (all.value ? ordered.value : ordered.value.slice(0, FIRST)))
const WIDTH = 62
/** The bar runs from 70 to 100 %; its tick is where we stop asking. */
const x = (confidence: number) => Math.min(Math.max((confidence - 0.7) / 0.3, 0), 1) * WIDTH
const isSure = (word: ListPreview['words'][number]) => word.decided || word.confidence >= MATCHED_FROM
</script>

<template>
  <section :aria-label="t('itsWordsOurParts')" class="words mt-12px">
    <h2>
      {{ t('itsWordsOurParts') }}
      <em>{{ t('matchedInDoubtTickBelow', { matched, words: words.length - matched }) }}</em>
    </h2>
    <ul class="grid grid-cols-[repeat(2,minmax(0,1fr))] gap-y-0 gap-x-24px mx-0 mt-4px mb-6px p-0 list-none">
      <li
        v-for="word in shown"
        :key="word.word"
        class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_48px_70px] gap-8px items-center min-h-28px line-b-rule"
      >
        <em class="overflow-hidden text-ellipsis whitespace-nowrap" :title="word.word">{{ word.word }}</em>
        <b class="overflow-hidden text-ellipsis whitespace-nowrap" :class="{ rust: !isSure(word) }">{{
          isSure(word) ? roles[word.role].words : '?'
        }}</b>
        <span class="second">{{ word.decided ? t('decided') : `${Math.round(word.confidence * 100)} %` }}</span>
        <svg v-if="!word.decided" :width="WIDTH + 8" height="12" :viewBox="`-4 0 ${WIDTH + 8} 12`" aria-hidden="true">
          <line :x2="WIDTH" y1="6" y2="6" class="line stroke-rule-strong" />
          <line :x1="x(MATCHED_FROM)" :x2="x(MATCHED_FROM)" y1="1" y2="11" class="limit stroke-brass stroke-1.9" />
          <path v-if="word.confidence < 0.7" d="M-4 6l7-3.4v6.8z" class="off" />
          <circle v-else class="fill-ink" :cx="x(word.confidence)" cy="6" r="3" :class="{ off: !isSure(word) }" />
        </svg>
        <i v-else></i>
      </li>
    </ul>
    <p v-if="words.length > FIRST">
      <ElButton link @click="all = !all">
        {{ all ? t('fewer') : t('allWords', { words: words.length }) }}
      </ElButton>
      <span class="second"> {{ ' ' }}{{ t('whatYouDecideIsRemembered') }}</span>
    </p>
  </section>
</template>

<style scoped>
.off {
  fill: var(--rust);
}
</style>
