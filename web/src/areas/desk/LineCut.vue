<script setup lang="ts">
import { deskWords } from './words.ts'

const t = deskWords('lineCut')
/** The line to the library's server is cut: what that means for the work under way. */
defineProps<{ since: string; unsent: number }>()
const emit = defineEmits<{ again: [] }>()
</script>

<template>
  <p class="flex gap-12px items-center mb-10px py-8px px-14px line-brass rd-4px bg-card" role="status">
    <svg width="26" height="20" viewBox="0 0 26 20" aria-hidden="true">
      <path class="fill-none stroke-brass stroke-1.6" d="M1 10h7M18 10h7M8 4v12M18 4v12M14 3l-3 6h4l-3 8" />
    </svg>
    <span>
      <strong>{{ t('noConnectionSince', { since }) }}</strong> {{ t('goOnHereItIs') }}
      <span class="quiet">{{ t('keptOnThisMachineClosing', { unsent }) }}</span>
    </span>
    <ElButton link @click="emit('again')">{{ t('tryNow') }}</ElButton>
  </p>
</template>
