<template>
  <span data-grip class="grip cursor-grab coarse:py-12px coarse:px-8px" aria-hidden="true"
    ><svg width="11" height="12" viewBox="0 0 11 12">
      <path class="stroke-rule-strong" d="M1 2.5H10M1 6H10M1 9.5H10" /></svg
  ></span>
</template>
