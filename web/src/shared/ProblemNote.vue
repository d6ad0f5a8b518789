<script setup lang="ts">
import type { ApiError } from './api/client.ts'

defineProps<{ problem: ApiError | null }>()
const emit = defineEmits<{ retry: [] }>()
</script>

<template>
  <div v-if="problem" class="problem" role="alert">
    <p v-for="(sentence, index) in problem.sentences.slice(0, 8)" :key="index">{{ sentence }}</p>
    <p v-if="problem.sentences.length > 8">… and {{ problem.sentences.length - 8 }} more.</p>
    <p v-if="problem.reply.requestId" class="second">For whoever helps: {{ problem.reply.requestId }}</p>
    <ElButton v-if="problem.status === 0 || problem.status >= 500" link @click="emit('retry')">Try again</ElButton>
  </div>
</template>
