<script setup lang="ts">
import type { OtherScan } from './use-other-scan.ts'

/** A label of another kit was scanned while this one is gone through: nothing was marked by it. */
defineProps<{ scan: OtherScan; kitName: string }>()
const emit = defineEmits<{ keep: []; dismiss: [] }>()
</script>

<template>
  <p class="flex gap-12px items-center mb-10px py-8px px-14px line-brass rd-4px bg-card" role="status">
    <span>
      <strong>{{ scan.part ?? scan.code }}</strong>
      {{ scan.kitName ? `belongs to ${scan.kitName}` : 'was scanned' }}; this is {{ kitName }}. Nothing was marked.
    </span>
    <ElButton v-if="scan.part" size="small" @click="emit('keep')"> It lies in this case </ElButton>
    <RouterLink v-if="scan.kitName" :to="`/kits/${encodeURIComponent(scan.kitCode)}`"
      >Open {{ scan.kitName }}</RouterLink
    >
    <ElButton link @click="emit('dismiss')">go on here</ElButton>
  </p>
</template>
