<script setup lang="ts">
import { kindWords, readingFigureText, type ReadingKind } from '@binoculum/core'
import { benchWords } from './words.ts'

const t = benchWords('checkReadings')

/** What a check measured: as found, as left, and the limit. */
interface Line {
  readonly kind: ReadingKind
  readonly asFound: number
  readonly asLeft: number
  readonly limit: number
  readonly unit: Parameters<typeof readingFigureText>[0]
}
const { readings } = defineProps<{ readings: readonly Line[] }>()
const lineOf = (row: unknown) => row as Line
</script>

<template>
  <ElTable :data="[...readings]" row-key="kind" :aria-label="t('whatWasMeasured')">
    <ElTableColumn label="" min-width="120">
      <template #default="{ row }">{{ kindWords[lineOf(row).kind] }}</template>
    </ElTableColumn>
    <ElTableColumn :label="t('asFound')">
      <template #default="{ row }">{{ readingFigureText(lineOf(row).unit, lineOf(row).asFound) }}</template>
    </ElTableColumn>
    <ElTableColumn :label="t('asLeft')">
      <template #default="{ row }"
        ><strong :class="{ rust: lineOf(row).asLeft > lineOf(row).limit }">{{
          readingFigureText(lineOf(row).unit, lineOf(row).asLeft)
        }}</strong></template
      >
    </ElTableColumn>
    <ElTableColumn :label="t('limit')">
      <template #default="{ row }">{{
        lineOf(row).unit === 'judged' ? '' : readingFigureText(lineOf(row).unit, lineOf(row).limit)
      }}</template>
    </ElTableColumn>
  </ElTable>
</template>
