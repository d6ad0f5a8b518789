<script setup lang="ts" generic="T extends string | boolean">
defineProps<{ options: readonly { value: T; words: string; bad?: boolean }[]; label: string }>()
const value = defineModel<T | null>({ required: true })
</script>

<template>
  <div class="flex flex-wrap gap-y-6px" role="radiogroup" :aria-label="label">
    <button
      v-for="option in options"
      :key="String(option.value)"
      type="button"
      role="radio"
      :aria-checked="value === option.value"
      :class="{ chosen: value === option.value, bad: option.bad }"
      @click="value = option.value"
    >
      {{ option.words }}
    </button>
  </div>
</template>

<style scoped>
button {
  min-width: 104px;
  min-height: 48px;
  padding: 6px 16px;
  border: 1px solid var(--rule-strong);
  background: var(--card);
  color: var(--ink);
  font: 640 16px var(--sans);
  cursor: pointer;
}

button + button {
  border-left: 0;
}

.chosen {
  border-color: var(--night);
  background: var(--night);
  color: var(--on-fill);
}

.chosen.bad {
  border-color: var(--rust);
  background: var(--rust);
}
</style>
