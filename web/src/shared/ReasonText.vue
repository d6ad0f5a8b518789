<script setup lang="ts">
import { conditionWords, reasonClause, remedySentence, type Condition, type Reason } from '@binoculum/core'
import { computed } from 'vue'
import { sharedWords } from './words.ts'

const t = sharedWords('reasonText')

/** The condition's word opens the sentence; the worst reason follows, with what to do where asked for. */
const {
  condition,
  reasons,
  remedy = false,
  out = false,
} = defineProps<{ condition: Condition; reasons: readonly Reason[]; remedy?: boolean; out?: boolean }>()

const tones: Record<Condition, string> = { full: 'moss', half: 'ink', crescent: 'brass', new: 'rust' }
const worst = computed(() => reasons[0])
const more = computed(() => reasons.filter(({ code }) => code !== 'ALL_GOOD').length - 1)
const opening = computed(() => {
  if (condition !== 'full') return `${conditionWords[condition]}:`
  return out ? t('fitWhenItLeft') : `${conditionWords.full}.`
})
const sentence = computed(() => {
  if (!worst.value) return ''
  const clause = reasonClause(worst.value)
  if (condition === 'full') return `${capital(clause)}.`
  const others = more.value > 0 ? t('andMore', { more: more.value }) : ''
  return [`${clause}${others}.`, ...(remedy ? [remedySentence(worst.value)] : [])].join(' ')
})
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
</script>

<template>
  <span v-if="worst">
    <strong :class="tones[condition]">{{ opening }}</strong>{{ ' ' + sentence }}
  </span>
</template>
