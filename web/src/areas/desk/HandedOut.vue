<script setup lang="ts">
import type { Slip } from '@binoculum/contract'
import { onMounted, useTemplateRef } from 'vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import LoanSlip from './LoanSlip.vue'
import { deskWords } from './words.ts'

const t = deskWords('handedOut')

defineProps<{ slip: Slip }>()
const title = useTemplateRef('title')
const print = () => window.print()
useKeys(() => ({ p: print }))
onMounted(() => title.value?.focus())
</script>

<template>
  <main class="page handed-out grid grid-cols-[minmax(0,1fr)_320px] gap-40px items-start">
    <section class="screen-only grid gap-12px">
      <h1 ref="title" tabindex="-1">{{ t('isOut', { kitName: slip.kitName }) }}</h1>
      <p>
        {{ t('loanTo', { loanCode: slip.loanCode }) }} <strong>{{ slip.borrower }}</strong>
        {{ t('isOnRecordTheSlip') }}
      </p>
      <p class="quiet">
        {{ t('theLinkIsShownOnce') }}
      </p>
      <div class="ways flex flex-wrap gap-10px mt-8px">
        <ElButton type="primary" size="large" @click="print">{{ t('printTheSlip') }} <KeyCap name="p" /></ElButton>
        <RouterLink :to="`/guides/${slip.loanId}`" class="button big">{{ t('seeTheGuide') }}</RouterLink>
        <RouterLink to="/desk" class="button big">{{ t('backToTheDesk') }}</RouterLink>
        <RouterLink :to="`/desk/loans/${slip.loanId}`">{{ t('somethingWasWrongCorrectIt') }}</RouterLink>
      </div>
    </section>
    <LoanSlip :slip="slip" class="paper" />
  </main>
</template>

<style scoped>
h1:focus {
  outline: none;
}

@media print {
  .handed-out {
    display: block;
  }

  .paper {
    width: 100mm;
  }
}
</style>
