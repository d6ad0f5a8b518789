<script setup lang="ts">
import PageTabs from '../../shared/PageTabs.vue'

const places = [
  { path: '/setup/kits', words: 'Kits' },
  { path: '/setup/bring-in', words: 'Bring in a list' },
  { path: '/setup/models', words: 'Models' },
  { path: '/setup/places', words: 'Places' },
  { path: '/setup/drawer', words: 'Spares drawer' },
  { path: '/setup/labels', words: 'Labels and cards' },
  { path: '/setup/devices', words: 'Devices' },
  { path: '/setup/people', words: 'People' },
  { path: '/setup/branches', words: 'Branches' },
  { path: '/setup/opening', words: 'Opening days' },
  { path: '/setup/reminders', words: 'Letters' },
  { path: '/setup/agreement', words: 'Agreement' },
  { path: '/setup/archive', words: 'Archive' },
  { path: '/setup/watch', words: 'What is wrong' },
] as const
</script>

<template>
  <PageTabs :places="places" label="Set-up" />
</template>
