<script setup lang="ts">
import PageTabs from '../../shared/PageTabs.vue'
import { deskWords } from './words.ts'

const t = deskWords('deskTabs')

const places = [
  { path: '/desk', words: t('outAndBack') },
  { path: '/desk/follow-up', words: t('followUp') },
  { path: '/desk/letters', words: t('letters') },
] as const
</script>

<template>
  <PageTabs :places="places" :label="t('desk')" />
</template>
