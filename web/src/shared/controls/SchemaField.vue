<script setup lang="ts">
import { inject, onUnmounted } from 'vue'
import { schemaFormKey } from './schema-form.ts'

/** One field of a form from a schema: its label, its control in the slot, and what is wrong with it beneath. */
const { path } = defineProps<{
  label: string
  /** Its place in what is sent, with dots. */
  path: string
}>()
const form = inject(schemaFormKey)
if (!form) throw new Error('a SchemaField stands in a SchemaForm')
onUnmounted(form.shows(path))
</script>

<template>
  <ElFormItem :label="label" :error="form.problemOf(path)"><slot /></ElFormItem>
</template>
