<script setup lang="ts">
import { sharedWords } from '../words.ts'

const t = sharedWords('branchSelect')
/** Which branch; nothing is shown where there is only one. */
const { branches } = defineProps<{
  branches: readonly { readonly branchId: string; readonly branchName: string }[]
}>()
const branchId = defineModel<string>({ required: true })
</script>

<template>
  <ElSelect v-if="branches.length > 1" v-model="branchId" :aria-label="t('branch')" class="w-220px">
    <ElOption v-for="branch in branches" :key="branch.branchId" :value="branch.branchId" :label="branch.branchName" />
  </ElSelect>
</template>
