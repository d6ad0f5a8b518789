<script setup lang="ts" generic="V extends string">
/** One of a few ways to do a thing, all of them in sight. */
const { options, label } = defineProps<{
  options: readonly { readonly value: V; readonly words: string; readonly disabled?: boolean }[]
  label: string
}>()
const chosen = defineModel<V | null>({ required: true })
</script>

<template>
  <ElRadioGroup
    :model-value="chosen ?? undefined"
    :aria-label="label"
    class="ways flex flex-wrap gap-y-2px gap-x-16px w-full line-b-rule-strong"
    @update:model-value="chosen = $event as V"
  >
    <ElRadio v-for="option in options" :key="option.value" :value="option.value" :disabled="option.disabled ?? false">
      {{ option.words }}
    </ElRadio>
  </ElRadioGroup>
</template>

<style scoped>
.ways .el-radio {
  margin-right: 0;
}

.ways .el-radio :deep(.el-radio__label) {
  padding-left: 6px;
  font-weight: 400;
}

.ways .is-checked :deep(.el-radio__label) {
  font-weight: 640;
}
</style>
