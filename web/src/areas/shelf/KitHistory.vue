<script setup lang="ts">
import type { RecordLine } from '@binoculum/contract'
import { dayText, hourText } from '../../shared/dates.ts'
import { recordPictures, recordSentence } from './history-words.ts'
import { shelfWords } from './words.ts'

const t = shelfWords('kitHistory')

/** What was done to a kit, by whom and when. */
defineProps<{ lines: readonly RecordLine[]; zone: string }>()
</script>

<template>
  <h2>{{ t('history') }}</h2>
  <slot />
  <p v-if="lines.length === 0" class="quiet">{{ t('nothingIsRecordedYet') }}</p>
  <ol :aria-label="t('history')" class="mx-0 mt-0 mb-8px p-0 list-none">
    <li
      v-for="line in lines"
      :key="line.id"
      class="grid grid-cols-[130px_minmax(0,1fr)_120px] gap-12px py-4px px-0 line-b-rule text-14px max-[700px]:grid-cols-[minmax(0,1fr)] max-[700px]:gap-0"
    >
      <span class="quiet">{{ dayText(line.atUtc, zone) }}, {{ hourText(line.atUtc, zone) }}</span>
      <span
        >{{ recordSentence(line) }}
        <a
          v-for="(id, index) in recordPictures(line)"
          :key="id"
          class="mr-6px"
          :href="`/api/pictures/${id}`"
          target="_blank"
          rel="noopener"
          >{{ t('pictureIndex', { index: index + 1 }) }}</a
        ></span
      >
      <span class="quiet">{{ line.by }}</span>
    </li>
  </ol>
</template>
