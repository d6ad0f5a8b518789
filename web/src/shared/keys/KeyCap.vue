<script setup lang="ts">
defineProps<{ name: string }>()
</script>

<template>
  <kbd class="key-cap" aria-hidden="true">{{ name }}</kbd>
</template>

<style scoped>
.key-cap {
  display: inline-block;
  min-width: 19px;
  padding: 1px 5px;
  border: 1px solid var(--rule-strong);
  border-bottom-width: 2px;
  border-radius: 3px;
  background: var(--card);
  color: var(--ink);
  font: 640 12px/15px var(--sans);
  text-align: center;
}

.main .key-cap {
  border-color: var(--pale);
  background: transparent;
  color: inherit;
}

@media (pointer: coarse) {
  .key-cap {
    display: none;
  }
}
</style>
