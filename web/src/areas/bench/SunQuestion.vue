<script setup lang="ts">
/** The one question that no clock can answer. Only a yes opens what it guards. */
const { words } = defineProps<{ words: string }>()
const shaded = defineModel<boolean | null>({ required: true })
</script>

<template>
  <div class="ask">
    <strong>{{ words }}</strong>
    <ElRadioGroup v-model="shaded" aria-label="The question of the Sun">
      <ElRadio :value="true">yes</ElRadio>
      <ElRadio :value="false">no</ElRadio>
    </ElRadioGroup>
  </div>
</template>

<style scoped>
.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  padding: 4px 12px;
  border: 2px solid var(--brass);
}
</style>
