<script setup lang="ts">
import PageTabs from '../../shared/PageTabs.vue'
import { benchWords } from './words.ts'

const t = benchWords('benchTabs')

const places = [
  { path: '/bench', words: t('theBench') },
  { path: '/bench/plan', words: t('evenings') },
] as const
</script>

<template>
  <PageTabs :places="places" :label="t('bench')" />
</template>
