<script setup lang="ts">
import { spreadsheetSafe } from '@binoculum/core'
import { saveFile } from '../save-file.ts'
import { stringify } from 'csv-stringify/browser/esm/sync'

/** A table as it is seen, as a file for a spreadsheet [RFC 4180]. Nothing in it runs as a formula. */
const { rows, name } = defineProps<{
  rows: readonly Readonly<Record<string, string | number | null>>[]
  /** Of the file, without its ending. */
  name: string
}>()

function save() {
  const safe = rows.map((row) =>
    Object.fromEntries(
      Object.entries(row).map(([column, cell]) => [column, typeof cell === 'string' ? spreadsheetSafe(cell) : cell]),
    ),
  )
  const text = stringify(safe, { header: true, bom: true, record_delimiter: 'windows' })
  saveFile(`${name}.csv`, text, 'text/csv')
}
</script>

<template>
  <ElButton size="small" class="screen-only" :disabled="rows.length === 0" @click="save">As CSV</ElButton>
</template>
