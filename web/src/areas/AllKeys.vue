<script setup lang="ts">
import KeyCap from '../shared/keys/KeyCap.vue'
import { areas } from './areas.ts'

defineEmits<{ close: [] }>()
const card = [
  ['Space', 'present'],
  ['m', 'missing'],
  ['d', 'damaged'],
  ['w', 'wrong item'],
  ['n', 'note'],
  ['a', 'all the rest present; stops at parts to be looked at every time'],
  ['− +', 'fewer or more of a part'],
  ['u', 'undo'],
  ['1 – 4', 'outcome'],
] as const
</script>

<template>
  <div class="veil" role="dialog" aria-modal="true" aria-label="All keys" @click.self="$emit('close')">
    <section>
      <h2>Everywhere</h2>
      <dl>
        <template v-for="area in areas" :key="area.key">
          <dt><KeyCap name="g" /> <KeyCap :name="area.key" /></dt>
          <dd>{{ area.name }}</dd>
        </template>
        <dt><KeyCap name="/" /></dt>
        <dd>find a kit, part, borrower or loan</dd>
        <dt><KeyCap name="↑" /> <KeyCap name="↓" /></dt>
        <dd>along kits, along parts</dd>
      </dl>
      <h2>In a contents card</h2>
      <dl>
        <template v-for="[key, words] in card" :key="key">
          <dt><KeyCap :name="key" /></dt>
          <dd>{{ words }}</dd>
        </template>
      </dl>
      <button type="button" class="button main" autofocus @click="$emit('close')">Close</button>
    </section>
  </div>
</template>

<style scoped>
.veil {
  position: fixed;
  inset: 0;
  z-index: 2000;
  display: grid;
  place-items: center;
  background: rgb(24 46 69 / 60%);
}

section {
  display: grid;
  gap: 10px;
  max-height: 92vh;
  padding: 20px 28px;
  overflow: auto;
  border-radius: 4px;
  background: var(--paper);
}

dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 5px 16px;
  margin: 0 0 6px;
}

dd {
  margin: 0;
}
</style>
