<script setup lang="ts">
import KeyCap from '../keys/KeyCap.vue'

/** A button that also has a key, and says which. */
const {
  hint,
  main = false,
  disabled = false,
} = defineProps<{
  hint: string
  main?: boolean
  disabled?: boolean
}>()
</script>

<template>
  <ElButton :type="main ? 'primary' : 'default'" size="large" :disabled="disabled">
    <slot /> <KeyCap :name="hint" />
  </ElButton>
</template>
