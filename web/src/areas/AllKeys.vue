<script setup lang="ts">
import KeyCap from '../shared/keys/KeyCap.vue'
import { areas } from './areas.ts'

defineEmits<{ close: [] }>()
const followUp = [
  ['f', 'found again, or mended'],
  ['p', 'put in a spare from the drawer'],
  ['l', 'a letter to the borrower'],
  ['n', 'didn’t help: the next step'],
  ['x', 'done'],
] as const
const calendar = [
  ['p', 'promise a kit: what for, by whom'],
  ['t', 'today'],
  ['w', 'a week, a fortnight or ten weeks'],
  ['↑ ↓', 'to the next kit’s loan'],
  ['← →', 'the chosen promise a day sooner or later; else the calendar a week on'],
  ['+ −', 'the chosen loan a day longer or shorter'],
  ['e', 'a week longer'],
  ['1 – 3', 'ways out of a clash'],
  ['Enter', 'lets the change go; Esc leaves it as it was'],
] as const
const bench = [
  ['Space', 'a step is fine; the weight was moved; the scale is set'],
  ['x', 'a step is not fine'],
  ['p', 'put right'],
  ['y', 'balanced: it stays'],
  ['s', 'another set-up on the tube'],
  ['t', 'type the bare shaft'],
  ['e', 'all keyed in'],
  ['h', 'a star is hidden'],
  ['o', 'another hour or place'],
  ['Enter', 'next station'],
] as const
const card = [
  ['Space', 'present'],
  ['m', 'missing'],
  ['d', 'damaged'],
  ['w', 'wrong item'],
  ['n', 'note'],
  ['a', 'all the rest present; stops at parts to be looked at every time'],
  ['− +', 'fewer or more of a part'],
  ['u', 'undo'],
  ['1 – 7', 'which item lies there, after w'],
  ['1 – 4', 'outcome'],
  ['Enter', 'done'],
] as const
</script>

<template>
  <div
    class="fixed inset-0 z-2000 grid place-items-center [background:rgb(24_46_69_/_60%)]"
    role="dialog"
    aria-modal="true"
    aria-label="All keys"
    @click.self="$emit('close')"
  >
    <section class="grid gap-10px max-h-92vh py-20px px-28px overflow-auto rd-4px bg-paper">
      <h2>Everywhere</h2>
      <dl class="grid grid-cols-[max-content_1fr] gap-y-5px gap-x-16px mx-0 mt-0 mb-6px">
        <template v-for="area in areas" :key="area.key">
          <dt><KeyCap name="g" /> <KeyCap :name="area.key" /></dt>
          <dd class="m-0">{{ area.name }}</dd>
        </template>
        <dt><KeyCap name="/" /></dt>
        <dd class="m-0">find a kit, part, borrower or loan</dd>
        <dt><KeyCap name="↑" /> <KeyCap name="↓" /></dt>
        <dd class="m-0">along kits, along parts</dd>
      </dl>
      <h2>In a contents card</h2>
      <dl class="grid grid-cols-[max-content_1fr] gap-y-5px gap-x-16px mx-0 mt-0 mb-6px">
        <template v-for="[key, words] in card" :key="key">
          <dt><KeyCap :name="key" /></dt>
          <dd class="m-0">{{ words }}</dd>
        </template>
      </dl>
      <h2>At the bench</h2>
      <dl class="grid grid-cols-[max-content_1fr] gap-y-5px gap-x-16px mx-0 mt-0 mb-6px">
        <template v-for="[key, words] in bench" :key="key">
          <dt><KeyCap :name="key" /></dt>
          <dd class="m-0">{{ words }}</dd>
        </template>
      </dl>
      <h2>In the calendar</h2>
      <dl class="grid grid-cols-[max-content_1fr] gap-y-5px gap-x-16px mx-0 mt-0 mb-6px">
        <template v-for="[key, words] in calendar" :key="key">
          <dt><KeyCap :name="key" /></dt>
          <dd class="m-0">{{ words }}</dd>
        </template>
      </dl>
      <h2>In the follow-up</h2>
      <dl class="grid grid-cols-[max-content_1fr] gap-y-5px gap-x-16px mx-0 mt-0 mb-6px">
        <template v-for="[key, words] in followUp" :key="key">
          <dt><KeyCap :name="key" /></dt>
          <dd class="m-0">{{ words }}</dd>
        </template>
      </dl>
      <ElButton type="primary" autofocus @click="$emit('close')">Close</ElButton>
    </section>
  </div>
</template>
