<script setup lang="ts">
import PageTabs from '../../shared/PageTabs.vue'
import { setupWords } from './words.ts'

const t = setupWords('setupTabs')

const places = [
  { path: '/setup/kits', words: t('kits') },
  { path: '/setup/bring-in', words: t('bringInAList') },
  { path: '/setup/models', words: t('models') },
  { path: '/setup/places', words: t('places') },
  { path: '/setup/drawer', words: t('sparesDrawer') },
  { path: '/setup/labels', words: t('labelsAndCards') },
  { path: '/setup/devices', words: t('devices') },
  { path: '/setup/people', words: t('people') },
  { path: '/setup/branches', words: t('branches') },
  { path: '/setup/opening', words: t('openingDays') },
  { path: '/setup/reminders', words: t('letters') },
  { path: '/setup/agreement', words: t('agreement') },
  { path: '/setup/archive', words: t('archive') },
  { path: '/setup/watch', words: t('whatIsWrong') },
] as const
</script>

<template>
  <PageTabs :places="places" :label="t('setUp')" />
</template>
