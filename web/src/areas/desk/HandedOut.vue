<script setup lang="ts">
import type { Slip } from '@binoculum/contract'
import { onMounted, useTemplateRef } from 'vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import LoanSlip from './LoanSlip.vue'

defineProps<{ slip: Slip }>()
const title = useTemplateRef('title')
const print = () => window.print()
useKeys(() => ({ p: print }))
onMounted(() => title.value?.focus())
</script>

<template>
  <main class="page handed-out grid grid-cols-[minmax(0,1fr)_320px] gap-40px items-start">
    <section class="screen-only grid gap-12px">
      <h1 ref="title" tabindex="-1">{{ slip.kitName }} is out.</h1>
      <p>
        Loan {{ slip.loanCode }} to <strong>{{ slip.borrower }}</strong> is on record. The slip carries the link to
        the guide for exactly this kit.
      </p>
      <p class="quiet">
        The link is shown once and kept as a hash only. Lost? Make a new one on the loan’s guide page; the old one
        ends then. It names the kit, never the borrower.
      </p>
      <div class="ways flex flex-wrap gap-10px mt-8px">
        <ElButton type="primary" size="large" @click="print">Print the slip <KeyCap name="p" /></ElButton>
        <RouterLink :to="`/guides/${slip.loanId}`" class="button big">See the guide</RouterLink>
        <RouterLink to="/desk" class="button big">Back to the desk</RouterLink>
        <RouterLink :to="`/desk/loans/${slip.loanId}`">Something was wrong? Correct it</RouterLink>
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
