<script setup lang="ts">
import PageTabs from '../../../shared/PageTabs.vue'
import { setupWords } from '../words.ts'

const t = setupWords('modelTabs')

/** The sheets of one model. */
const { modelId, name = '' } = defineProps<{ modelId: string; name?: string }>()
const places = [
  { path: `/setup/models/${modelId}`, words: t('parts') },
  { path: `/setup/models/${modelId}/what`, words: t('whatItIs') },
  { path: `/setup/models/${modelId}/steps`, words: t('steps') },
  { path: `/setup/models/${modelId}/mount`, words: t('mountAndTube') },
  { path: `/setup/models/${modelId}/mirror`, words: t('mirrorsAndCell') },
  { path: `/setup/models/${modelId}/finder`, words: t('finderAndFocuser') },
]
</script>

<template>
  <h1 v-if="name" class="name text-28px lh-34px">{{ name }}</h1>
  <PageTabs :places="places" :label="t('sheetsOfThisModel')" />
</template>
