<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import BorrowerGuide from '../../borrower/BorrowerGuide.vue'

/** A guide as the borrower's phone shows it; printed, it is the whole guide. */
defineProps<{ guide: IssuedGuide }>()
</script>

<template>
  <div class="phone"><BorrowerGuide :guide="guide" token="" :start-language="guide.language" /></div>
</template>

<style scoped>
@media screen {
  .phone {
    max-width: 430px;
    max-height: min(860px, calc(100vh - 120px));
    overflow-y: auto;
    border: 1px solid var(--ink);
    border-radius: 14px;
  }
}
</style>
