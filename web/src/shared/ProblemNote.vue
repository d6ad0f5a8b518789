<script setup lang="ts">
import type { ApiError } from './api/client.ts'
import { sharedWords } from './words.ts'

const t = sharedWords('problemNote')

defineProps<{ problem: ApiError | null }>()
const emit = defineEmits<{ retry: [] }>()
</script>

<template>
  <div v-if="problem" class="problem" role="alert">
    <p v-for="(sentence, index) in problem.sentences.slice(0, 8)" :key="index">{{ sentence }}</p>
    <p v-if="problem.sentences.length > 8">{{ t('andMore', { sentences: problem.sentences.length - 8 }) }}</p>
    <p v-if="problem.reply.requestId" class="second">
      {{ t('forWhoeverHelps', { requestId: problem.reply.requestId }) }}
    </p>
    <ElButton v-if="problem.status === 0 || problem.status >= 500" link @click="emit('retry')">{{
      t('tryAgain')
    }}</ElButton>
  </div>
</template>
