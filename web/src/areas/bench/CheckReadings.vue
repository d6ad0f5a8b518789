<script setup lang="ts">
import { kindWords, readingFigureText, type ReadingKind } from '@binoculum/core'

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
  <ElTable :data="[...readings]" row-key="kind" aria-label="What was measured">
    <ElTableColumn label="" min-width="120">
      <template #default="{ row }">{{ kindWords[lineOf(row).kind] }}</template>
    </ElTableColumn>
    <ElTableColumn label="as found">
      <template #default="{ row }">{{ readingFigureText(lineOf(row).unit, lineOf(row).asFound) }}</template>
    </ElTableColumn>
    <ElTableColumn label="as left">
      <template #default="{ row }"
        ><strong :class="{ rust: lineOf(row).asLeft > lineOf(row).limit }">{{
          readingFigureText(lineOf(row).unit, lineOf(row).asLeft)
        }}</strong></template
      >
    </ElTableColumn>
    <ElTableColumn label="limit">
      <template #default="{ row }">{{
        lineOf(row).unit === 'judged' ? '' : readingFigureText(lineOf(row).unit, lineOf(row).limit)
      }}</template>
    </ElTableColumn>
  </ElTable>
</template>
