<script setup lang="ts">
import PencilMark from '../../shared/drawings/PencilMark.vue'

/** One line of the hand-out form: a pencil tick when it is done, a frame while it is open. */
defineProps<{ title: string; done: boolean; open: boolean }>()
defineEmits<{ open: [] }>()
</script>

<template>
  <section :class="['form-line', { open }]" :aria-label="title" @click="$emit('open')" @focusin="$emit('open')">
    <div class="tick"><PencilMark :mark="done ? 'present' : 'unseen'" :size="26" /></div>
    <h2>{{ title }}</h2>
    <div class="body"><slot /></div>
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

.tick {
  padding: 8px 0 0 11px;
  border-right: 1px solid var(--rust-pale);
}

h2 {
  padding: 8px 0 0 12px;
  border-left: 1px solid var(--rust-pale);
  margin-left: 3px;
}

.body {
  padding: 10px 16px 12px 4px;
}

@media (width <= 560px) {
  .form-line {
    grid-template-columns: 36px minmax(0, 1fr);
  }

  .tick {
    grid-row: 1 / 3;
    padding-left: 8px;
  }

  .body {
    grid-column: 2;
    padding: 2px 10px 10px 12px;
    overflow-wrap: anywhere;
  }
}
</style>
