<script setup lang="ts">
import PageTabs from '../../shared/PageTabs.vue'

const places = [
  { path: '/calendar', words: 'Nights and loans' },
  { path: '/calendar/waiting', words: 'Waiting list' },
  { path: '/calendar/van', words: 'Van' },
] as const
</script>

<template>
  <PageTabs :places="places" label="Calendar" />
</template>
