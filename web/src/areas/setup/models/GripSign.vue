<template>
  <span class="grip" aria-hidden="true"
    ><svg width="11" height="12" viewBox="0 0 11 12"><path d="M1 2.5H10M1 6H10M1 9.5H10" /></svg
  ></span>
</template>

<style scoped>
.grip {
  cursor: grab;
}

path {
  stroke: var(--rule-strong);
}

@media (pointer: coarse) {
  .grip {
    padding: 12px 8px;
  }
}
</style>
