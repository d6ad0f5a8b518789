<script setup lang="ts">
import { ref, useTemplateRef, watch } from 'vue'
import { figureFrom, figureText } from './figure.ts'

/** A figure with its unit, typed with a comma or a point. What is no figure stays in the field, and counts as none. */
const figure = defineModel<number | null>({ required: true })
const {
  unit = '',
  name = undefined,
  placeholder = undefined,
  disabled = false,
  large = false,
} = defineProps<{
  label: string
  unit?: string
  name?: string | undefined
  placeholder?: string | undefined
  disabled?: boolean
  large?: boolean
}>()
const text = ref(figureText(figure.value))
watch(figure, (value) => {
  if ((figureFrom(text.value) ?? null) !== value) text.value = figureText(value)
})
function type(typed: string) {
  text.value = typed
  figure.value = figureFrom(typed) ?? null
}
const field = useTemplateRef('field')
defineExpose({ focus: () => field.value?.focus() })
</script>

<template>
  <ElInput
    ref="field"
    :model-value="text"
    :aria-label="label"
    :name="name"
    :placeholder="placeholder"
    :disabled="disabled"
    :size="large ? 'large' : 'default'"
    inputmode="decimal"
    autocomplete="off"
    @update:model-value="type"
  >
    <template v-if="unit" #suffix>{{ unit }}</template>
  </ElInput>
</template>
