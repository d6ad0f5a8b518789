<script setup lang="ts" generic="V extends string | number">
import { useTemplateRef } from 'vue'

/** A list of a few known choices. Once one is taken the page's own keys hold again: Space must not open the list anew. */
const {
  options,
  label,
  name = undefined,
  placeholder = undefined,
  disabled = false,
  large = false,
} = defineProps<{
  options: readonly { readonly value: V; readonly words: string }[]
  label: string
  name?: string | undefined
  placeholder?: string | undefined
  disabled?: boolean
  large?: boolean
}>()
const chosen = defineModel<V | null>({ required: true })
const field = useTemplateRef('field')
</script>

<template>
  <ElSelect
    ref="field"
    v-model="chosen"
    :aria-label="label"
    :name="name"
    :placeholder="placeholder"
    :disabled="disabled"
    :size="large ? 'large' : 'default'"
    @change="field?.blur()"
  >
    <ElOption v-for="option in options" :key="option.value" :value="option.value" :label="option.words" />
  </ElSelect>
</template>
