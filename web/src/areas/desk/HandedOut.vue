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
  <main class="page handed-out">
    <section class="screen-only">
      <h1 ref="title" tabindex="-1">{{ slip.kitName }} is out.</h1>
      <p>
        Loan {{ slip.loanCode }} to <strong>{{ slip.borrower }}</strong> is on record. The slip carries the link to
        the guide for exactly this kit.
      </p>
      <p class="quiet">
        The link is shown once and kept as a hash only. Lost? Make a new one on the loan’s guide page; the old one
        ends then. It names the kit, never the borrower.
      </p>
      <div class="ways">
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
.handed-out {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 40px;
  align-items: start;
}

section {
  display: grid;
  gap: 12px;
}

h1:focus {
  outline: none;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-top: 8px;
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
