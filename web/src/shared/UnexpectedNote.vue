<script setup lang="ts">
import { useUnexpected } from './unexpected.ts'
import { sharedWords } from './words.ts'

const t = sharedWords('unexpectedNote')

/** Over every room: something didn't work, what is safe, and what to do. */
const { unexpected, dismiss } = useUnexpected()
const reload = () => window.location.reload()
</script>

<template>
  <ElAlert
    v-if="unexpected"
    class="screen-only fixed right-16px bottom-16px z-3000 w-[min(460px,calc(100vw_-_32px))] line-rust bg-card text-ink"
    type="error"
    :closable="false"
    role="alert"
  >
    <template #title>{{ unexpected.sentence }}</template>
    <p class="mb-10px break-anywhere">{{ unexpected.todo }}</p>
    <p class="second mb-10px break-anywhere">{{ t('forWhoeverHelps', { detail: unexpected.detail }) }}</p>
    <ElButton type="primary" @click="reload">{{ t('loadThePageAgain') }}</ElButton>
    <ElButton @click="dismiss">{{ t('goOn') }}</ElButton>
  </ElAlert>
</template>
