<script setup lang="ts">
import type { RecordLine } from '@binoculum/contract'
import { dayText, hourText } from '../../shared/dates.ts'
import { recordPictures, recordSentence } from './history-words.ts'

/** What was done to a kit, by whom and when. */
defineProps<{ lines: readonly RecordLine[]; zone: string }>()
</script>

<template>
  <h2>History</h2>
  <slot />
  <p v-if="lines.length === 0" class="quiet">Nothing is recorded yet.</p>
  <ol class="history mx-0 mt-0 mb-8px p-0 list-none">
    <li v-for="line in lines" :key="line.id">
      <span class="quiet">{{ dayText(line.atUtc, zone) }}, {{ hourText(line.atUtc, zone) }}</span>
      <span
        >{{ recordSentence(line) }}
        <a
          v-for="(id, index) in recordPictures(line)"
          :key="id"
          :href="`/api/pictures/${id}`"
          target="_blank"
          rel="noopener"
          >picture {{ index + 1 }}</a
        ></span
      >
      <span class="quiet">{{ line.by }}</span>
    </li>
  </ol>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr) 120px;
  gap: 12px;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
  font-size: 14px;
}

@media (max-width: 700px) {
  li {
    grid-template-columns: minmax(0, 1fr);
    gap: 0;
  }
}
</style>
