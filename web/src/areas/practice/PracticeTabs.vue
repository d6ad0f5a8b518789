<script setup lang="ts">
import PageTabs from '../../shared/PageTabs.vue'
import { practiceWords } from './words.ts'

const t = practiceWords('practiceTabs')

const tabs = [
  { path: '/practice', words: t('aCase') },
  { path: '/practice/telescope', words: t('aTelescope') },
  { path: '/practice/results', words: t('howItGoes') },
] as const
</script>

<template>
  <PageTabs :places="tabs" :label="t('practice')" />
</template>
