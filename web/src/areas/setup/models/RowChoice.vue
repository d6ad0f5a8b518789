<script setup lang="ts" generic="T extends string | number">
/** A list of choices in a narrow row; *none* is a choice of its own where it is named. */
const value = defineModel<T | null>({ required: true })
const { options, none = undefined } = defineProps<{
  label: string
  options: readonly { readonly value: T; readonly words: string }[]
  none?: string | undefined
}>()
const NONE = ''
</script>

<template>
  <ElSelect
    :model-value="value ?? NONE"
    :aria-label="label"
    :empty-values="[undefined]"
    @update:model-value="(chosen: T | '') => (value = chosen === NONE ? null : chosen)"
  >
    <ElOption v-if="none" :value="NONE" :label="none" />
    <ElOption v-for="each in options" :key="each.value" :value="each.value" :label="each.words" />
  </ElSelect>
</template>
