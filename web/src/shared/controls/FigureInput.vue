<script setup lang="ts">
import { ref, watch } from 'vue'
import { figureFrom, figureText } from './figure.ts'

/** A figure with its unit, typed with a comma or a point. What is no figure stays in the field, and counts as none. */
const figure = defineModel<number | null>({ required: true })
const {
  unit = '',
  name = undefined,
  placeholder = undefined,
  disabled = false,
} = defineProps<{
  label: string
  unit?: string
  name?: string | undefined
  placeholder?: string | undefined
  disabled?: boolean
}>()
const text = ref(figureText(figure.value))
watch(figure, (value) => {
  if ((figureFrom(text.value) ?? null) !== value) text.value = figureText(value)
})
function type(typed: string) {
  text.value = typed
  figure.value = figureFrom(typed) ?? null
}
</script>

<template>
  <ElInput
    :model-value="text"
    :aria-label="label"
    :name="name"
    :placeholder="placeholder"
    :disabled="disabled"
    inputmode="decimal"
    autocomplete="off"
    @update:model-value="type"
  >
    <template v-if="unit" #suffix>{{ unit }}</template>
  </ElInput>
</template>
