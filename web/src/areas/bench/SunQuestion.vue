<script setup lang="ts">
import { benchWords } from './words.ts'

const t = benchWords('sunQuestion')
/** The one question that no clock can answer. Only a yes opens what it guards. */
const { words } = defineProps<{ words: string }>()
const shaded = defineModel<boolean | null>({ required: true })
</script>

<template>
  <div class="flex flex-wrap gap-y-6px gap-x-14px items-center py-4px px-12px line-2-brass">
    <strong>{{ words }}</strong>
    <ElRadioGroup v-model="shaded" :aria-label="t('theQuestionOfTheSun')">
      <ElRadio :value="true">{{ t('yes') }}</ElRadio>
      <ElRadio :value="false">{{ t('no') }}</ElRadio>
    </ElRadioGroup>
  </div>
</template>
