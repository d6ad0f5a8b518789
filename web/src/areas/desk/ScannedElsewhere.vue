<script setup lang="ts">
import type { OtherScan } from './use-other-scan.ts'
import { deskWords } from './words.ts'

const t = deskWords('scannedElsewhere')

/** A label of another kit was scanned while this one is gone through: nothing was marked by it. */
defineProps<{ scan: OtherScan; kitName: string }>()
const emit = defineEmits<{ keep: []; dismiss: [] }>()
</script>

<template>
  <p class="flex gap-12px items-center mb-10px py-8px px-14px line-brass rd-4px bg-card" role="status">
    <span>
      <strong>{{ scan.part ?? scan.code }}</strong>
      {{
        t('thisIsNothingWasMarked', {
          its: scan.kitName ? t('belongsTo', { kitName: scan.kitName }) : t('wasScanned'),
          here: kitName,
        })
      }}{{ ' ' }}
    </span>
    <ElButton v-if="scan.part" size="small" @click="emit('keep')"> {{ t('itLiesInThisCase') }} </ElButton>
    <RouterLink v-if="scan.kitName" :to="`/kits/${encodeURIComponent(scan.kitCode)}`">{{
      t('openKitName', { kitName: scan.kitName })
    }}</RouterLink>
    <ElButton link @click="emit('dismiss')">{{ t('goOnHere') }}</ElButton>
  </p>
</template>
