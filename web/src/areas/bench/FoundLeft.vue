<script setup lang="ts">
/** Two halves of a station: as found, and as left once something was put right. */
const { hasLeft, complete } = defineProps<{ hasLeft: boolean; complete: boolean }>()
defineEmits<{ putRight: []; forget: [] }>()
</script>

<template>
  <div class="found-left">
    <section>
      <h2>As found</h2>
      <slot name="found" />
    </section>
    <section :class="{ waiting: !hasLeft }">
      <h2>As left</h2>
      <slot v-if="hasLeft" name="left" />
      <template v-else>
        <p class="quiet">{{ complete ? 'As found, untouched.' : 'Nothing kept yet.' }}</p>
        <ElButton size="large" :disabled="!complete" @click="$emit('putRight')"> Put right: look again </ElButton>
      </template>
      <ElButton v-if="hasLeft" link @click="$emit('forget')"> left as found after all </ElButton>
    </section>
  </div>
</template>

<style scoped>
.found-left {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 20px 40px;
}

section {
  display: grid;
  gap: 12px;
  align-content: start;
  justify-items: start;
}

h2 {
  width: 100%;
  border-bottom: 1px solid var(--rule-strong);
}
</style>
