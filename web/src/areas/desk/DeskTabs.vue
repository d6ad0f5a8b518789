<script setup lang="ts">
import PageTabs from '../../shared/PageTabs.vue'

const places = [
  { path: '/desk', words: 'Out and back' },
  { path: '/desk/follow-up', words: 'Follow-up' },
  { path: '/desk/letters', words: 'Letters' },
] as const
</script>

<template>
  <PageTabs :places="places" label="Desk" />
</template>
