<script setup lang="ts">
defineProps<{ name: string }>()
</script>

<template>
  <kbd
    class="key-cap inline-block min-w-19px py-1px px-5px line-rule-strong [border-bottom-width:2px] rd-3px bg-card text-ink [font:640_12px/15px_var(--sans)] text-center"
    aria-hidden="true"
    >{{ name }}</kbd
  >
</template>

<style scoped>
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
