<script setup lang="ts">
import PageTabs from '../../shared/PageTabs.vue'

const places = [
  { path: '/bench', words: 'The bench' },
  { path: '/bench/plan', words: 'Evenings' },
] as const
</script>

<template>
  <PageTabs :places="places" label="Bench" />
</template>
