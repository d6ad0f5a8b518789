<script setup lang="ts">
import { cardAnswerSchema, type CardAnswer } from '@binoculum/contract'
import { useDebounceFn } from '@vueuse/core'
import { ref, watch } from 'vue'
import { api, ApiError } from '../../shared/api/client.ts'
import { dayText } from '../../shared/dates.ts'
import { deskWords } from './words.ts'

const t = deskWords('cardLookUp')

/** What the library's directory says about a card. Nothing waits for it: the desk goes on whatever it says. */
const { branchId, cardNumber } = defineProps<{ branchId: string; cardNumber: string }>()
const emit = defineEmits<{ take: [person: CardAnswer['person']] }>()
/** Longer than between two keys, so that one card is one question. */
const SETTLED_MS = 400
const answer = ref<CardAnswer | null>(null)
const asked = ref('')

const ask = useDebounceFn(async (card: string) => {
  asked.value = card
  try {
    const said = await api.post(cardAnswerSchema, `/api/branches/${branchId}/card`, { cardNumber: card })
    if (card === cardNumber) answer.value = said
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    if (card === cardNumber) answer.value = { state: 'silent', person: null, validUntil: null }
  }
}, SETTLED_MS)
watch(
  () => cardNumber,
  (card) => {
    answer.value = null
    void ask(card)
  },
  { immediate: true },
)
</script>

<template>
  <p class="second flex flex-wrap gap-8px items-center min-h-32px mt-6px" role="status">
    <template v-if="!answer">{{ asked === cardNumber ? t('askingTheCardDirectory') : '' }}</template>
    <template v-else-if="answer.state === 'silent'">{{ t('theCardDirectoryDoesntAnswer') }}</template>
    <template v-else-if="answer.state === 'unknown'">{{ t('theCardDirectoryKnowsNo') }}</template>
    <template v-else>
      <span :class="{ rust: answer.state === 'expired' }">{{
        answer.state === 'expired' && answer.validUntil
          ? t('theCardWasGoodUntil', { validUntil: dayText(`${answer.validUntil}T12:00:00Z`, 'UTC') })
          : t('theCardIsGood')
      }}</span>
      <ElButton size="small" @click="emit('take', answer.person)">{{
        answer.person ? t('takeOver', { name: answer.person.name }) : t('takeTheCard')
      }}</ElButton>
    </template>
  </p>
</template>
