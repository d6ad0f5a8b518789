<script setup lang="ts">
import PencilMark from '../drawings/PencilMark.vue'

/** One line of the hand-out form: a pencil tick when it is done, a frame while it is open. */
defineProps<{ title: string; done: boolean; open: boolean }>()
defineEmits<{ open: [] }>()
</script>

<template>
  <section :class="['form-line', { open }]" :aria-label="title" @click="$emit('open')" @focusin="$emit('open')">
    <div class="pr-0 pl-11px pt-8px pb-0 line-r-rust-pale max-[560px]:row-[1_/_3] max-[560px]:pl-8px">
      <PencilMark :mark="done ? 'present' : 'unseen'" :size="26" />
    </div>
    <h2 class="pr-0 pl-12px pt-8px pb-0 line-l-rust-pale ml-3px">{{ title }}</h2>
    <div
      class="body pr-16px pl-4px pt-10px pb-12px max-[560px]:col-[2] max-[560px]:pr-10px max-[560px]:pl-12px max-[560px]:pt-2px max-[560px]:pb-10px max-[560px]:break-anywhere"
    >
      <slot />
    </div>
  </section>
</template>

<style scoped>
.form-line {
  display: grid;
  grid-template-columns: 46px 118px minmax(0, 1fr);
  min-height: 48px;
  border-bottom: 1px solid var(--rule);
}

.form-line.open {
  position: relative;
  background: var(--card);
  box-shadow: 0 0 0 2px var(--night);
  border-radius: 2px;
}

@media (width <= 560px) {
  .form-line {
    grid-template-columns: 36px minmax(0, 1fr);
  }
}
</style>
