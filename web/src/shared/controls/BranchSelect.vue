<script setup lang="ts">
/** Which branch; nothing is shown where there is only one. */
const { branches } = defineProps<{
  branches: readonly { readonly branchId: string; readonly branchName: string }[]
}>()
const branchId = defineModel<string>({ required: true })
</script>

<template>
  <ElSelect v-if="branches.length > 1" v-model="branchId" aria-label="Branch" class="w-220px">
    <ElOption v-for="branch in branches" :key="branch.branchId" :value="branch.branchId" :label="branch.branchName" />
  </ElSelect>
</template>
