<script setup lang="ts">
import type { NotedDraft } from './use-kept-form.ts'

/** Says that what stands here isn't kept yet, and what to do with it. */
const { page } = defineProps<{ page: NotedDraft }>()
</script>

<template>
  <p v-if="page.takenUp.value" class="my-8px mx-0 py-6px px-12px line-l-3-brass bg-card" role="status">
    Taken up where you left it; not kept yet.
    <ElButton link type="primary" @click="page.letGo()">Let it go</ElButton>
  </p>
  <p v-else-if="page.older.value !== null" class="my-8px mx-0 py-6px px-12px line-l-3-brass bg-card" role="status">
    You left something here that isn’t kept, and this model was changed since.
    <ElButton link type="primary" @click="page.takeUpOlder()">Take it up</ElButton>
    <ElButton link type="primary" @click="page.done()">Let it go</ElButton>
  </p>
</template>
