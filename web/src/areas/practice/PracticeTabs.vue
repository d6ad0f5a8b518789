<script setup lang="ts">
import PageTabs from '../../shared/PageTabs.vue'

const tabs = [
  { path: '/practice', words: 'A case' },
  { path: '/practice/telescope', words: 'A telescope' },
  { path: '/practice/results', words: 'How it goes' },
] as const
</script>

<template>
  <PageTabs :places="tabs" label="Practice" />
</template>
