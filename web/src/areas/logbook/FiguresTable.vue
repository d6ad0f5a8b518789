<script setup lang="ts">
import { computed } from 'vue'
import CsvButton from '../../shared/controls/CsvButton.vue'
import { headOf } from './figure-columns.ts'
import { logbookWords } from './words.ts'

const t = logbookWords('figuresTable')

/** The figures of a chart as a table, which can be saved as it is seen. */
type Cell = string | number | null
const {
  rows,
  name,
  open = false,
} = defineProps<{
  rows: readonly Readonly<Record<string, Cell>>[]
  name: string
  /** Where the table is what was come for, it stands open. */
  open?: boolean
}>()
const columns = computed(() =>
  Object.entries(rows[0] ?? {}).map(([label]) => ({
    label,
    isFigure: rows.every((row) => row[label] === null || /^[–\d.,\s%-]*$/.test(String(row[label]))),
  })),
)
</script>

<template>
  <component :is="open ? 'div' : 'details'">
    <summary v-if="!open" class="cursor-pointer">{{ t('theSameFigures') }}</summary>
    <ElTable :data="[...rows]" size="small" class="figures max-w-680px my-6px mx-0" :class="{ open }">
      <ElTableColumn
        v-for="column in columns"
        :key="column.label"
        :label="headOf(column.label)"
        :prop="column.label"
        :align="column.isFigure ? 'right' : 'left'"
        :min-width="column.isFigure ? 80 : 150"
      />
    </ElTable>
    <CsvButton :rows="[...rows]" :name="name" />
  </component>
</template>

<style scoped>
details {
  margin-top: 6px;
}

.figures.open {
  max-width: none;
}
</style>
