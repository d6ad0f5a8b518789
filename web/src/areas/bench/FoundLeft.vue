<script setup lang="ts">
/** Two halves of a station: as found, and as left once something was put right. */
const { hasLeft, complete } = defineProps<{ hasLeft: boolean; complete: boolean }>()
defineEmits<{ putRight: []; forget: [] }>()
</script>

<template>
  <div class="grid grid-cols-[repeat(auto-fit,minmax(300px,1fr))] gap-y-20px gap-x-40px">
    <section class="grid gap-12px content-start justify-items-start">
      <h2 class="w-full line-b-rule-strong">As found</h2>
      <slot name="found" />
    </section>
    <section class="grid gap-12px content-start justify-items-start" :class="{ waiting: !hasLeft }">
      <h2 class="w-full line-b-rule-strong">As left</h2>
      <slot v-if="hasLeft" name="left" />
      <template v-else>
        <p class="quiet">{{ complete ? 'As found, untouched.' : 'Nothing kept yet.' }}</p>
        <ElButton size="large" :disabled="!complete" @click="$emit('putRight')"> Put right: look again </ElButton>
      </template>
      <ElButton v-if="hasLeft" link @click="$emit('forget')"> left as found after all </ElButton>
    </section>
  </div>
</template>
