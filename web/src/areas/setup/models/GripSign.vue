<template>
  <span class="grip cursor-grab" aria-hidden="true"
    ><svg width="11" height="12" viewBox="0 0 11 12">
      <path class="stroke-rule-strong" d="M1 2.5H10M1 6H10M1 9.5H10" /></svg
  ></span>
</template>

<style scoped>
@media (pointer: coarse) {
  .grip {
    padding: 12px 8px;
  }
}
</style>
