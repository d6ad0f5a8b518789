<script setup lang="ts">
import PageTabs from '../../../shared/PageTabs.vue'

/** The sheets of one model. */
const { modelId, name = '' } = defineProps<{ modelId: string; name?: string }>()
const places = [
  { path: `/setup/models/${modelId}`, words: 'Parts' },
  { path: `/setup/models/${modelId}/what`, words: 'What it is' },
  { path: `/setup/models/${modelId}/steps`, words: 'Steps' },
  { path: `/setup/models/${modelId}/mount`, words: 'Mount and tube' },
  { path: `/setup/models/${modelId}/mirror`, words: 'Mirrors and cell' },
  { path: `/setup/models/${modelId}/finder`, words: 'Finder and focuser' },
]
</script>

<template>
  <h1 v-if="name" class="name text-28px lh-34px">{{ name }}</h1>
  <PageTabs :places="places" label="Sheets of this model" />
</template>
