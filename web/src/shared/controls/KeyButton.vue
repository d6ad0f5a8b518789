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

<style scoped>
/* A kit's name may be longer than any button: the words go on below. */
.el-button {
  max-width: 100%;
  height: auto;
  min-height: 40px;
  padding-block: 6px;
  line-height: 20px;
  white-space: normal;
  overflow-wrap: anywhere;
  text-align: left;
}

.el-button > :deep(span) {
  min-width: 0;
}

.el-button :deep(.key-cap) {
  flex: none;
  white-space: nowrap;
}
</style>
