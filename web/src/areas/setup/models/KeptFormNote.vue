<script setup lang="ts">
import type { NotedDraft } from './use-kept-form.ts'
import { setupWords } from '../words.ts'

const t = setupWords('keptFormNote')

/** Says that what stands here isn't kept yet, and what to do with it. */
const { page } = defineProps<{ page: NotedDraft }>()
</script>

<template>
  <p v-if="page.takenUp.value" class="my-8px mx-0 py-6px px-12px line-l-3-brass bg-card" role="status">
    {{ t('takenUpWhereYouLeft') }}
    <ElButton link type="primary" @click="page.letGo()">{{ t('letItGo') }}</ElButton>
  </p>
  <p v-else-if="page.older.value !== null" class="my-8px mx-0 py-6px px-12px line-l-3-brass bg-card" role="status">
    {{ t('youLeftSomethingHereThat') }}
    <ElButton link type="primary" @click="page.takeUpOlder()">{{ t('takeItUp') }}</ElButton>
    <ElButton link type="primary" @click="page.done()">{{ t('letItGo') }}</ElButton>
  </p>
</template>
