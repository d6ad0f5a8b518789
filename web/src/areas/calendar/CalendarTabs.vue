<script setup lang="ts">
import PageTabs from '../../shared/PageTabs.vue'
import { calendarWords } from './words.ts'

const t = calendarWords('calendarTabs')

const places = [
  { path: '/calendar', words: t('nightsAndLoans') },
  { path: '/calendar/waiting', words: t('waitingList') },
  { path: '/calendar/van', words: t('van') },
] as const
</script>

<template>
  <PageTabs :places="places" :label="t('calendar')" />
</template>
